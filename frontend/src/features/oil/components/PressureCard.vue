<script setup lang="ts">
import { computed } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useDuty } from '../../../station/useDuty'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'
import type { Circuit } from '../logic'
import PressurePlot from './PressurePlot.vue'

/** Pressure over speed, and along the oil's way in five states: what gauge and switch read, when to be warned. */
const words = useVocabulary()
const { index, duty } = useDuty('oil')
const options = computed(() => ({ duty: index.value }))
const { data: curves } = useInstrument('oil/pan', options)
const { data, waiting } = useInstrument('oil/circuit', options)
type Stage = Circuit['stages'][number]
type Threshold = Circuit['thresholds'][number]
const p = (v: number) => words.show(v, 'pressure_gauge')
const differs = (one: (s: Stage) => number | null, other: (s: Stage) => number) => data.value?.stages.some((s) => one(s) !== null && Math.abs((one(s) ?? 0) - other(s)) > 1)
const COLUMNS = computed((): Column<Stage>[] => [
  { key: 'name', title: 'State', head: true, show: (s) => s.name },
  { key: 'temperature', title: 'Oil', right: true, mute: true, show: (s) => words.show(s.temperature, 'temperature') },
  { key: 'speed', title: 'At', right: true, mute: true, show: (s) => words.show(s.speed, 'speed_rpm') },
  { key: 'gauge', title: 'Gauge reads', right: true, show: (s) => p(s.gauge) },
  ...(differs((s) => s.switch, (s) => s.gauge) ? [{ key: 'switch', title: 'Switch sees', right: true, show: (s: Stage) => (s.switch === null ? '–' : p(s.switch)) }] : []),
  { key: 'pump', title: 'Pump gives', right: true, mute: true, show: (s) => p(s.pump) },
  ...(differs((s) => s.gauge, (s) => s.gallery) ? [{ key: 'gallery', title: 'Gallery', right: true, mute: true, show: (s: Stage) => p(s.gallery) }] : []),
  { key: 'filter', title: 'Filter takes', right: true, mute: true, show: (s) => words.show(s.filter, 'pressure_difference') },
  ...(data.value?.cooler ? [{ key: 'cooled', title: 'Through cooler', right: true, mute: true, show: (s: Stage) => words.show(s.cooled, 'share') }] : []),
])
const THRESHOLDS = computed((): Column<Threshold>[] => [
  { key: 'speed', title: 'At', head: true, show: (t) => words.show(t.speed, 'speed_rpm') },
  { key: 'warn', title: 'Warn under', right: true, show: (t) => p(t.warn) },
  { key: 'stop', title: 'Stop under', right: true, show: (t) => p(t.stop) },
])
</script>

<template>
  <PressurePlot v-if="curves" :data="curves.pressure" :duty="duty?.id ?? ''" />
  <section class="card pad" data-circuit>
    <div class="cardhead">
      <h2 class="label">Along its way, cold to hot</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="data && data.stages.length">
      <DataTable :id="(s) => s.name" label="Pressure along the oil's way" :columns="COLUMNS" :rows="data.stages" />
      <p class="mute">The gauge reads at {{ data.gauge_at }}. A sandwich plate reads what the filter takes more than the gallery has; the head's far end a third less.</p>
      <h2 class="label more">Where to set a warning, and a cut</h2>
      <DataTable :id="(t) => String(t.speed)" label="Thresholds by speed" :columns="THRESHOLDS" :rows="data.thresholds" />
      <p class="mute">A cut waits a second and starts from {{ words.show(data.thresholds[0]?.speed ?? 0, 'speed_rpm') }}, so that a start or a bubble does not stop it. A lamp alone says nothing over idle.</p>
    </template>
    <Unseen v-else :waiting="waiting">Read the gauge once with the oil at 100 °C, below the relief, and give pressure and speed.</Unseen>
  </section>
</template>

<style scoped>
.more {
  margin-top: 14px;
}
</style>
