<script setup lang="ts">
import { computed, inject, ref, watch } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'
import type { View } from '../../../api/client'
import { minutes } from '../logic'

/** A jam: the fan as it is switched, and what the coolant does with a sensor, a signal, a relay missing. */
const words = useVocabulary()
const look = inject(THEME)
const build = useBuild()
const index = ref(0)
// A jam is stood in: an idling duty, else the first on the road.
watch(() => build.report?.duties, (duties) => {
  const found = ['idle', 'road'].map((kind) => duties?.findIndex((d) => d.kind === kind) ?? -1).find((i) => i >= 0)
  index.value = found ?? 0
}, { immediate: true })
const { data, waiting } = useInstrument('cooling/jam', computed(() => ({ duty: index.value })))
type Case = View<'cooling/jam'>['cases'][number]
const chosen = ref('')
const fitted = computed(() => data.value?.cases.find((c) => c.id === 'fitted'))
const other = computed(() => data.value?.cases.find((c) => c.id === chosen.value) ?? data.value?.cases.find((c) => c.id !== 'fitted'))
const t = (v: number) => words.show(v, 'temperature')
const until = (s: number | null) => (s === null ? '–' : minutes(s))
const COLUMNS: Column<Case>[] = [
  { key: 'name', title: 'The fan', head: true, show: (c) => `${c.name}${c.stated ? '' : ', half speed taken'}` },
  { key: 'peak', title: 'hottest', right: true, show: (c) => (c.to_boil === null ? t(c.peak) : 'boils'), over: (c) => c.to_limit !== null },
  { key: 'limit', title: 'to the limit', right: true, show: (c) => until(c.to_limit), over: (c) => c.to_limit !== null },
  { key: 'boil', title: 'to boiling', right: true, show: (c) => until(c.to_boil), over: (c) => c.to_boil !== null },
  { key: 'starts', title: 'starts an hour', right: true, mute: true, show: (c) => c.starts.toFixed(0) },
  { key: 'share', title: 'runs', right: true, mute: true, show: (c) => words.show(c.share, 'share') },
  { key: 'longest', title: 'longest', right: true, mute: true, show: (c) => minutes(c.longest) },
]
const option = computed(() => {
  const d = data.value
  if (!d || !fitted.value || d.limit === null || look === undefined) return null
  void look.dark.value
  const at = (values: number[]): [number, number][] => d.time.map((s, i): [number, number] => [s / 60, words.value(values[i] ?? 0, 'temperature')])
  const flat = (k: number) => at(d.time.map(() => k))
  const plot = plotOption({
    x: 'minutes', y: words.unit('temperature'),
    lines: [
      { name: fitted.value.name, points: at(fitted.value.coolant), colour: read('cooling'), at: 0.3, side: 'bottom' },
      ...(other.value ? [{ name: other.value.name, points: at(other.value.coolant), colour: read('mute'), dashed: true, at: 0.12, side: 'top' as const }] : []),
      { name: 'limit', points: flat(d.limit), colour: read('over'), at: 0.75, side: 'top' },
      ...d.on.map((k, i) => ({ name: i ? 'second comes on' : 'comes on', points: flat(k), colour: read('brass'), dashed: true, at: 0.6, side: 'bottom' as const })),
    ],
  }) as { yAxis: Record<string, unknown> }
  return { ...plot, yAxis: { ...plot.yAxis, min: undefined, scale: true } }
})
const said = computed(() => {
  const f = fitted.value
  if (!f) return ''
  const over = data.value?.cases.filter((c) => c.id !== 'fitted' && c.to_limit !== null) ?? []
  const lasts = over.length ? ` Over the limit with: ${over.map((c) => `${c.name} (${until(c.to_limit)})`).join('; ')}.` : ' With anything below missing it still holds.'
  return `As it is switched it ${f.to_boil === null ? `peaks at ${t(f.peak)}` : `boils after ${minutes(f.to_boil)}`} and starts ${f.starts.toFixed(0)} times an hour.${lasts}`
})
</script>

<template>
  <section class="card pad" data-jam>
    <div class="cardhead">
      <h2 class="label">The fan in a jam</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="data && option">
      <p>{{ said }}</p>
      <ChartPanel :option="option" label="Coolant in a jam, by how the fan runs" />
      <DataTable :id="(c) => c.id" label="What is missing" :columns="COLUMNS" :rows="data.cases" :marked="(c) => c.id === other?.id" />
      <p class="row">Drawn beside it: <button v-for="c in data.cases.filter((k) => k.id !== 'fitted')" :key="c.id" class="textlink" type="button" @click="chosen = c.id">{{ c.name }}</button></p>
      <p class="mute">The duty's heat and air, {{ data.stands }} s standing and {{ data.creeps }} s creeping on; switched by {{ data.by }}{{ data.line_switch === null ? '' : `, with a switch in its line that closes at ${t(data.line_switch)}` }}. A dash: not in half an hour. Half speed is what controllers commonly fall back to: say what yours does. A fan may start by itself.</p>
    </template>
    <p v-else-if="data" class="mute">No electric fan is fitted: nothing switches it.</p>
    <Unseen v-else :waiting="waiting">Give the core's width, height and depth, and the fan, to follow a jam.</Unseen>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
}
</style>
