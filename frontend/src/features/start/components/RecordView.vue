<script setup lang="ts">
import { computed } from 'vue'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { clock, dayAndHour, foreseen, judge, lasted } from '../logic'
import { useStart } from '../useStart'

/** The record of the start, as it prints: what was proved by whom, what ran how long, what was read beside what was foretold. */
const build = useBuild()
const start = useStart()
const words = useVocabulary()
const labelOf = (id: string | null | undefined) => start.plan?.steps.find((s) => s.id === id)?.label ?? id ?? ''
const runs = computed(() => start.record.runs.filter((r) => r.began).sort((a, b) => (a.began ?? '').localeCompare(b.began ?? '')))
const readings = computed(() => start.record.readings.flatMap((r) => {
  const e = start.plan?.expected.find((x) => x.id === r.what)
  if (!e) return []
  const si = start.valueOf(r)
  const after = start.since(r)
  const band = foreseen(e, after)
  return [{ ...r, label: e.label, after, band: band ? `${words.number(band.low, e.kind)} to ${words.show(band.high, e.kind)}` : 'not known', says: si === null ? '' : judge(e, si, after).kind }]
}).sort((a, b) => (a.at ?? '').localeCompare(b.at ?? '')))
const SAYS: Record<string, string> = { stop: 'past its stop mark', over: 'over the band', under: 'under the band', inside: 'inside', unknown: '' }
const PLACES: { [place: string]: string } = { dry: 'stand, dry', hose: 'stand, hose-fed', machine: 'in the machine' }
/** Some ran in another place than is picked. */
const elsewhere = computed(() => runs.value.some((r) => (r.place ?? start.place) !== start.place))
const print = () => window.print()
const empty = computed(() => !runs.value.length && !readings.value.length)
</script>

<template>
  <section class="card pad record">
    <div class="cardhead"><h1>First start of {{ build.build?.name }}</h1><button class="button noprint" type="button" @click="print">Print</button></div>
    <p class="mute">{{ start.plan?.places.find((p) => p.id === start.plan?.place)?.label }}, {{ words.show(start.plan?.air, 'temperature') }}{{ start.plan?.air_stated ? '' : ' (nobody said)' }}</p>
    <h2 class="label">Proved before</h2>
    <div class="scroll" tabindex="0" role="region" aria-label="Proved before"><table>
      <tbody><tr v-for="s in start.holds" :key="s.hold.id"><th scope="row">{{ s.proved ? '☑' : '☐' }} {{ s.hold.label }}</th><td>{{ s.value }}</td><td>{{ s.by }}</td><td>{{ dayAndHour(s.at) }}</td></tr></tbody>
    </table></div>
    <h2 class="label">Ran</h2>
    <div v-if="runs.length" class="scroll" tabindex="0" role="region" aria-label="Ran"><table>
      <tbody><tr v-for="r in runs" :key="r.id"><th scope="row">{{ labelOf(r.step) }}</th><td>{{ dayAndHour(r.began) }}</td><td class="figure">{{ r.ended ? clock(lasted(r, 0)) : 'runs' }}</td><td v-if="elsewhere">{{ PLACES[r.place ?? ''] ?? '' }}</td><td>{{ r.pace ? `simulated ×${r.pace}` : '' }} {{ r.note }}</td><td class="noprint"><button class="textlink" type="button" :aria-label="`take out: ${labelOf(r.step)}`" @click="start.remove('runs', r.id)">take out</button></td></tr></tbody>
    </table></div>
    <h2 class="label">Read</h2>
    <div v-if="readings.length" class="scroll" tabindex="0" role="region" aria-label="Read"><table>
      <thead><tr><th scope="col">Reading</th><th scope="col">After</th><th scope="col">Read</th><th scope="col">Foretold</th><th scope="col" /><td class="noprint" /></tr></thead>
      <tbody><tr v-for="r in readings" :key="r.id"><th scope="row">{{ r.label }}{{ r.made_up ? ' (simulated)' : '' }}</th><td class="figure">{{ clock(r.after) }}</td><td class="figure"><b>{{ r.value }}</b></td><td class="figure">{{ r.band }}</td><td :class="{ over: r.says === 'stop' }">{{ SAYS[r.says] ?? '' }}</td><td class="noprint"><button class="textlink" type="button" :aria-label="`take out: ${r.label}`" @click="start.remove('readings', r.id)">take out</button></td></tr></tbody>
    </table></div>
    <p v-if="empty" class="mute">Nothing ran and nothing was read yet.</p>
    <label class="note">Noted<textarea class="input" rows="3" maxlength="1000" :value="start.record.note" @change="start.set('note', ($event.target as HTMLTextAreaElement).value)" /></label>
  </section>
</template>

<style scoped>
h1 {
  font: 600 21px/1.25 var(--words);
}
.record {
  display: grid;
  gap: 8px;
}
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  border-bottom: 1px solid var(--line);
  padding: 6px 6px;
  text-align: left;
  font-weight: 500;
}
.figure {
  white-space: nowrap;
}
thead th {
  font: 600 13px var(--labels);
  color: var(--mute);
}
.note {
  display: grid;
  gap: 3px;
}
</style>
