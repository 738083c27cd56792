<script setup lang="ts">
import { computed } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { Fold } from '../../../ui/lazy'
import { clock } from '../logic'
import { useStart } from '../useStart'
import GaugeGlass from './GaugeGlass.vue'
import StateIt from '../../../station/StateIt.vue'

/** Before it runs: what each gauge should read, and what that rests on that nobody stated. */
const start = useStart()
const words = useVocabulary()
const found = computed(() => start.plan?.expected ?? [])
const rests = computed(() => [...new Map(found.value.flatMap((e) => [...e.rests, ...e.missing]).map((f) => [f.path, f])).values()])
const band = (e: (typeof found.value)[number]) => (e.low !== null && e.high !== null ? { low: e.low, high: e.high } : null)
const said = (e: (typeof found.value)[number]) => (e.kind === 'time' ? (e.likely === null ? 'hardly' : `${clock(e.likely)}`) : e.likely === null ? 'not known' : words.show(e.likely, e.kind))
const ends = (e: (typeof found.value)[number]) => (e.least !== null && e.least > 1e-6 ? `stop under ${words.show(e.least, e.kind)}` : e.most !== null ? `stop over ${words.show(e.most, e.kind)}` : '')
const warm = computed(() => found.value.find((e) => e.by_oil.length)?.by_oil ?? [])
</script>

<template>
  <section class="card pad">
    <h2 class="label">What it should read</h2>
    <table>
      <tbody>
        <tr v-for="e in found" :key="e.id">
          <th scope="row">{{ e.label }}<span v-if="ends(e)" class="mute">{{ ends(e) }}</span></th>
          <td><GaugeGlass v-if="band(e) && e.kind !== 'time'" :expected="e" :band="band(e)" :si="null" small /></td>
          <td class="figure"><b>{{ said(e) }}</b><span v-if="band(e) && e.kind !== 'time' && e.low !== e.high" class="mute">{{ words.number(e.low ?? 0, e.kind) }} to {{ words.number(e.high ?? 0, e.kind) }}</span></td>
        </tr>
      </tbody>
    </table>
    <p v-if="warm.length" class="mute oil">Oil pressure idling, by the oil's warmth: <span v-for="p in warm" :key="p.at">{{ words.number(p.at, 'temperature') }}° <b>{{ words.number(p.value, 'pressure_gauge') }}</b></span> {{ words.unit('pressure_gauge') }}</p>
    <Fold v-if="rests.length" class="noprint" :title="`Rests on ${rests.length === 1 ? 'one thing' : `${rests.length} things`} nobody stated`">
      <ul><li v-for="f in rests" :key="f.path">{{ f.label }}{{ f.shown ? `: ${f.shown} taken` : ': not known' }} <StateIt :fact="f" /></li></ul>
    </Fold>
  </section>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  margin-top: 6px;
}
th,
td {
  border-top: 1px solid var(--line);
  padding: 6px 0;
  vertical-align: middle;
}
th {
  text-align: left;
  font-weight: 500;
}
th .mute,
td .mute {
  display: block;
  font: 500 13px var(--labels);
}
.figure {
  text-align: right;
  white-space: nowrap;
  padding-left: 10px;
}
.oil {
  padding-top: 8px;
}
.oil span {
  white-space: nowrap;
  margin-right: 8px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
