<script setup lang="ts">
import { computed, onMounted, reactive, ref, watch } from 'vue'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { shortId } from '../../../stores/shortId'
import { useVocabulary } from '../../../stores/vocabulary'
import Segments from '../../../ui/Segments.vue'
import { noteWords } from '../../../ui/noteWords'
import TwoColumns from '../../../ui/TwoColumns.vue'
import { entry } from '../logic'
import { useReadings } from '../useReadings'
import MendCard from './MendCard.vue'
import { dayOf } from '../../../ui/day'
import { withUnit } from '../../../ui/withUnit'

/** The logbook: drives, fuel, changes, with date and distance; what changed since the verdict last changed; the mend list. */
const readings = useReadings()
const build = useBuild()
const words = useVocabulary()
const { send, trouble } = useSending()
onMounted(() => void readings.look())
watch(() => build.build?.revision, () => void readings.look())
const KINDS = [{ value: 'drive', label: 'Drive' }, { value: 'fuel', label: 'Fuel' }, { value: 'change', label: 'Change' }, { value: 'note', label: 'Note' }]
const kind = ref('drive')
const boat = computed(() => build.build?.facts['machine.kind']?.text === 'boat')
const typed = reactive({ at: dayOf(new Date()), distance: '', hours: '', fuel: '', hottest: '', text: '' })
const rows = computed(() => [...(readings.found?.book ?? [])].reverse())
const since = computed(() => readings.since)
const used = (row: { per_distance: number | null; per_hour: number | null }) =>
  row.per_distance !== null ? `${(1e8 * row.per_distance).toFixed(1)} L/100 km since` : row.per_hour !== null ? `${(3.6e6 * row.per_hour).toFixed(1)} L/h since` : ''
const said = (row: (typeof rows.value)[number]) =>
  [row.distance === null ? '' : words.show(row.distance, 'distance'), row.hours === null ? '' : `${Math.round(row.hours / 3600)} h`, row.fuel === null ? '' : `${words.show(row.fuel, 'volume')} in`, used(row), row.hottest === null ? '' : `hottest ${words.show(row.hottest, 'temperature')}`].filter(Boolean).join(', ')
const far = (text: string) => (text.trim() && /^[\d.,\s]+$/.test(text) ? `${text.trim()} ${words.unit('distance') === 'ft' ? 'mi' : 'km'}` : text)
const long = (text: string) => (text.trim() && /^[\d.,\s]+$/.test(text) ? `${text.trim()} h` : text)
async function add(): Promise<void> {
  const fields = { kind: kind.value, at: typed.at, distance: far(typed.distance), hours: long(typed.hours), fuel: kind.value === 'fuel' ? withUnit(typed.fuel, words.kinds.volume) : '', hottest: kind.value === 'drive' ? withUnit(typed.hottest, words.kinds.temperature) : '', text: typed.text }
  if (await send(...entry('book', shortId(), fields))) Object.assign(typed, { distance: '', hours: '', fuel: '', hottest: '', text: '' })
}
const out = (id: string) => send(line(`readings.book.${id}`, null, { action: 'remove' }))
</script>

<template>
  <TwoColumns share="1.2fr">
    <template #left>
      <section class="card pad" data-book>
        <h2 class="label">Logbook</h2>
        <form class="form noprint" @submit.prevent="add">
          <Segments v-model="kind" label="What it is" :options="KINDS" />
          <div class="grid">
            <label class="asks">Day<input v-model="typed.at" class="input" type="date" /></label>
            <label v-if="!boat" class="asks">On the counter<input v-model="typed.distance" class="input" inputmode="decimal" maxlength="40" :placeholder="words.unit('distance') === 'ft' ? 'mi' : 'km'" /></label>
            <label class="asks">Engine hours<input v-model="typed.hours" class="input" inputmode="decimal" maxlength="40" placeholder="h" /></label>
            <label v-if="kind === 'fuel'" class="asks">Put in<input v-model="typed.fuel" class="input" inputmode="decimal" maxlength="40" :placeholder="words.unit('volume')" /></label>
            <label v-if="kind === 'drive'" class="asks">Coolant at most<input v-model="typed.hottest" class="input" inputmode="decimal" maxlength="40" :placeholder="words.unit('temperature')" /></label>
            <label class="asks wide">What was done or seen<input v-model="typed.text" class="input" maxlength="400" /></label>
          </div>
          <button class="button main" type="submit">Write it down</button>
          <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
        </form>
        <ul v-if="rows.length">
          <li v-for="r in rows" :key="r.id"><span class="figure day">{{ r.at }}</span><span><b>{{ KINDS.find((k) => k.value === r.kind)?.label }}</b> {{ r.text }}<span v-if="said(r)" class="mute block">{{ said(r) }}</span></span><button class="textlink noprint" type="button" :aria-label="`take out: ${r.at} ${r.text}`" @click="out(r.id)">take out</button></li>
        </ul>
        <p v-else class="mute">Nothing is written down yet.</p>
      </section>
    </template>
    <template #right>
      <section v-if="since" class="card pad" data-since>
        <h2 class="label">Since the verdict last changed</h2>
        <template v-if="since.before">
          <p>Now: <b>{{ since.now }}</b></p>
          <p class="mute">Before: {{ since.before }}</p>
          <ul><li v-for="c in since.changes" :key="c.revision" class="plain">{{ noteWords(c.note, words.label) }}<span class="mute day">{{ c.created_at.slice(0, 10) }}</span></li></ul>
        </template>
        <p v-else class="mute">It never was another.</p>
      </section>
      <MendCard />
    </template>
  </TwoColumns>
</template>

<style scoped>
.form {
  display: grid;
  gap: 8px;
  justify-items: start;
  padding-bottom: 10px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px 12px;
  width: 100%;
}
.wide {
  grid-column: 1 / -1;
}
.input {
  width: 100%;
}
ul {
  margin: 0;
  padding: 0;
}
li {
  list-style: none;
  display: grid;
  grid-template-columns: 86px minmax(0, 1fr) auto;
  gap: 10px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
.plain .day {
  margin-left: 10px;
}
.plain {
  display: block;
}
.block {
  display: block;
}
@media (max-width: 720px) {
  .grid {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .input {
    min-height: 44px;
  }
}
</style>
