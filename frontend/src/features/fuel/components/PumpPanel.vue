<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { checkOf, ends } from '../../../station/bands'
import { plotOption, type Line } from '../../../ui/chart'
import DutyPick from '../../../station/DutyPick.vue'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import { useDuty } from '../../../station/useDuty'
import { useInstrument } from '../../../station/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import CatchCard from './CatchCard.vue'
import Slide from '../../../ui/Slide.vue'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import type { View } from '../../../api/client'
import Unseen from '../../../ui/Unseen.vue'

/** What the pumps give against what rail and line ask; the volts are dragged; idle beside full load. */
const build = useBuild()
const words = useVocabulary()
const look = inject(THEME)
const { index, duty } = useDuty('fuel')
const voltage = ref<number | null>(null)
const options = computed(() => ({ duty: index.value, ...(voltage.value === null ? {} : { voltage: voltage.value }) }))
const { data, offered, waiting } = useInstrument('fuel/pumps', options)
const found = data
const electric = computed(() => found.value?.drive === 'electric')
const volts = computed({ get: () => Math.round(10 * (voltage.value ?? found.value?.voltage ?? 13.5)) / 10, set: (value: number) => (voltage.value = value) })
const check = computed(() => checkOf(build.report, 'fuel', 'pump_flow', duty.value?.id ?? ''))
const flows = (low: number | null | undefined, high: number | null | undefined) => ends(low, high)?.map((q) => words.value(q, 'flow_fuel')) as [number, number] | undefined
const option = computed(() => {
  if (!found.value || look === undefined) return null
  void look.dark.value
  const { flow, resists, pumps, point, asked } = found.value
  const scale = (q: number, p: number): [number, number] => [words.value(q, 'flow_fuel'), words.value(p, 'pressure_gauge')]
  const lines: Line[] = [
    { name: 'rail and line ask', points: flow.map((q, i) => scale(q, resists[i] ?? 0)), colour: read('fuel'), at: 0.14, side: 'top' },
    ...pumps.map((p, i): Line => ({ name: p.name, points: p.points.map(([q, y]) => scale(q ?? 0, y ?? 0)), colour: read('ink'), dashed: i > 0, at: i > 0 ? 0.6 : 0.88, side: 'left' })),
  ]
  return plotOption({
    x: words.unit('flow_fuel'), y: words.unit('pressure_gauge'), lines,
    ring: { at: scale(point.flow, point.pressure), text: words.show(point.flow, 'flow_fuel'), x: voltage.value === null ? flows(check.value?.capacity_low, check.value?.capacity_high) : null },
    mark: { x: words.value(asked, 'flow_fuel'), text: 'asked', colour: read('brass'), band: flows(check.value?.demand_low, check.value?.demand_high) },
  })
})
const columns = computed<Column<View<'fuel/pumps'>['states'][number]>[]>(() => [
  { key: 'name', title: 'Engine', head: true, show: (r) => r.name },
  { key: 'taken', title: 'takes', show: (r) => words.show(r.taken, 'flow_fuel') },
  { key: 'through', title: 'through the pump', show: (r) => words.show(r.through, 'flow_fuel') },
  { key: 'returned', title: 'goes back', show: (r) => words.show(r.returned, 'flow_fuel') },
  { key: 'pressure', title: 'across the pump', show: (r) => words.show(r.pressure, 'pressure_difference') },
  { key: 'rail', title: 'at the engine', show: (r) => words.show(r.rail, 'pressure_gauge') },
  ...(electric.value ? [{ key: 'volts', title: 'at its terminals', show: (r: { volts?: number | null; amps?: number | null }) => `${words.show(r.volts, 'voltage')}, ${words.show(r.amps, 'current')}` }] : []),
])
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">Pump against rail and line</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="option && found">
      <ChartPanel :option="option" label="Fuel pressure over flow: pump curve against rail and line, with the flow asked" />
      <Slide v-if="electric" v-model="volts" label="Volts at the pump" :min="8" :max="15" :step="0.1" :text="`${volts} V`">
        <button v-if="voltage !== null" class="textlink" type="button" @click="voltage = null">as wired</button>
      </Slide>
      <DataTable :id="(r) => r.name" label="Working points" :columns="columns" :rows="found.states" />
    </template>
    <Unseen v-else :waiting="waiting">Give the pump's flow and the pressure it is rated at to see what it really delivers.</Unseen>
  </section>
  <CatchCard :caught="found?.caught ?? null" :offered="offered" />
</template>

<style scoped>
.empty {
  padding: 28px 0;
}
.scroll {
  overflow-x: auto;
}
tbody th {
  white-space: nowrap;
}
</style>
