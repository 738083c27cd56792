<script setup lang="ts">
import { computed, inject } from 'vue'
import { plotOption } from '../../../ui/chart'
import DutyPick from '../../../station/DutyPick.vue'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import { useDuty } from '../../../station/useDuty'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import type { View } from '../../../api/client'

/** Every line with its speed and loss; how far the first pump's inlet stands from boiling, hot and high; priming, heat. */
const words = useVocabulary()
const look = inject(THEME)
const { index } = useDuty('fuel')
const options = computed(() => ({ duty: index.value }))
const { data } = useInstrument('fuel/lines', options)
const COLUMNS: Column<View<'fuel/lines'>['lines'][number]>[] = [
  { key: 'label', title: 'Line', head: true, show: (r) => r.label },
  { key: 'flow', title: 'flow', show: (r) => words.show(r.flow, 'flow_fuel'), by: (r) => r.flow },
  { key: 'speed', title: 'speed', show: (r) => words.show(r.speed, 'speed_m_s'), over: (r) => r.speed > 1.001 * r.guide, by: (r) => r.speed },
  { key: 'guide', title: 'guide', show: (r) => words.show(r.guide, 'speed_m_s'), mute: true },
  { key: 'takes', title: 'takes', show: (r) => words.show(r.drop, 'pressure_difference'), by: (r) => r.drop },
]
const option = computed(() => {
  const found = data.value
  const boiling = found?.boiling
  if (!found || !boiling || look === undefined) return null
  void look.dark.value
  const degrees = boiling.temperatures.map((t) => words.value(t, 'temperature'))
  const at = (margin: number[]) => degrees.map((t, i): [number, number] => [t, words.value(margin[i] ?? 0, 'pressure_difference')])
  const COLOURS = [read('fuel'), read('duties'), read('mute')]
  const plot = plotOption({
    x: `fuel, ${words.unit('temperature')}`, y: `${words.unit('pressure_difference')} over boiling`,
    lines: boiling.margins.map((m, i) => ({ name: m.altitude ? words.show(m.altitude, 'distance') + ' up' : 'sea level', points: at(m.margin), colour: COLOURS[i] ?? read('ink'), dashed: i > 0, at: 0.1, side: 'top' as const })),
    mark: { x: words.value(found.temperature, 'temperature'), text: 'hottest', colour: read('brass') },
  }) as { yAxis: Record<string, unknown> }
  return { ...plot, yAxis: { ...plot.yAxis, max: words.value(90e3, 'pressure_difference') } }
})
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">Lines</h2>
      <DutyPick v-model="index" />
    </div>
    <DataTable v-if="data?.lines.length" :id="(r) => r.id" label="Lines" :columns="COLUMNS" :rows="data.lines" />
    <p v-else-if="data" class="mute">Give the pump's flow and pressure to see what runs in each line.</p>
    <p v-if="data" class="mute">A guide of speed, not a limit: the losses are counted where they matter. Lines and filter hold {{ words.show(data.stands, 'volume') }}<template v-if="data.returning?.prime">; dry, the pump fills them in about {{ words.show(data.returning.prime, 'time') }}</template><template v-else>; some {{ Math.round(data.strokes) }} strokes of a hand primer</template>.
      <template v-if="data.returning">What comes back, {{ words.show(data.returning.flow, 'flow_fuel') }} at {{ words.show(data.returning.temperature, 'temperature') }}, carries {{ words.show(data.returning.heat, 'heat') }} into the tank.</template>
    </p>
  </section>
  <section v-if="option && data?.boiling" class="card pad">
    <h2 class="label">Inlet of the first pump over boiling</h2>
    <ChartPanel :option="option" label="Pressure over boiling at the first pump's inlet, over fuel temperature, at three heights" />
    <p>{{ words.show(data.lost, 'pressure_difference') }} is lost between tank and pump, of it a lift of {{ words.show(data.lift, 'height') }}. Its fuel boils there from {{ words.show(data.boiling.holds_to, 'temperature') }}. Hot petrol cannot be sucked, only pushed: a pump low and near the tank, a wide line, a cool return.</p>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  margin-bottom: 8px;
}
</style>
