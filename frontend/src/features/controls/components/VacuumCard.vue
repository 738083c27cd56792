<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { ChartPanel } from '../../../ui/lazyChart'
import Slide from '../../../ui/Slide.vue'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'
import { times, vacuumSaid, type VacuumView } from '../logic'

/** Applications left with the engine dead, by source and height; the order of bleeding. */
const words = useVocabulary()
const look = inject(THEME)
const height = ref(2000)
const { data, waiting } = useInstrument('controls/vacuum', computed(() => ({ height: height.value })))
const show = (v: number, kind: string) => words.show(v, kind)
const said = computed(() => (data.value ? vacuumSaid(data.value, show) : ''))
const bad = computed(() => {
  const d = data.value
  return Boolean(d && (d.why || d.rows.some((r) => r.stated && r.sea < d.wished)))
})
type Row = VacuumView['rows'][number]
const COLUMNS = computed((): Column<Row>[] => [
  { key: 'name', title: 'Source', head: true, show: (r) => (r.stated ? r.name : `${r.name}, usual`) },
  { key: 'depth', title: 'idling', right: true, mute: true, show: (r) => show(r.depth, 'pressure_difference') },
  { key: 'sea', title: 'applications', right: true, show: (r) => times(r.sea), over: (r) => r.stated && r.sea < (data.value?.wished ?? 0) },
  { key: 'high', title: `at ${show(data.value?.height ?? 0, 'distance')}`, right: true, show: (r) => times(r.high) },
  { key: 'more', title: 'with 3 L more', right: true, show: (r) => times(r.more) },
  { key: 'back', title: 'back in', right: true, show: (r) => (r.recovers === null ? '–' : `${r.recovers.toFixed(1)} s`) },
])
const option = computed(() => {
  const d = data.value
  if (!d?.depths.length || look === undefined) return null
  void look.dark.value
  const y = (v: number) => words.value(v, 'pressure_difference')
  return plotOption({
    x: 'applications, the engine dead', y: `vacuum, ${words.unit('pressure_difference')}`,
    lines: [
      { name: 'left', points: d.depths.map((v, i): [number, number] => [i, y(v)]), colour: read('controls'), at: 0.3, side: 'top' },
      { name: 'helps no more', points: d.depths.map((_, i): [number, number] => [i, y(d.least)]), colour: read('ink'), dashed: true, at: 0.8, side: 'bottom' },
    ],
  })
})
</script>

<template>
  <section class="card pad" data-vacuum>
    <h2 class="label">Brake vacuum</h2>
    <template v-if="data">
      <p role="status"><strong :class="{ over: bad }">{{ said }}</strong></p>
      <template v-if="data.rows.length">
        <DataTable :id="(r) => r.name" label="Vacuum by source" :columns="COLUMNS" :rows="data.rows" :marked="(r) => r.stated" />
        <Slide v-model="height" label="Height" :min="0" :max="4000" :text="show(height, 'distance')" />
        <ChartPanel v-if="option" :option="option" label="Vacuum left after each application" />
        <p class="mute">Each application lets {{ show(data.each, 'volume') }} of air into {{ show(data.volume, 'volume') }}; under {{ show(data.least, 'pressure_difference') }} it helps no more. Tried standing, the engine stopped: three whole applications, and the pedal sinks as it starts.</p>
      </template>
      <template v-if="data.bleeds.length">
        <h3 class="label">Bled in this order</h3>
        <p><strong>{{ data.bleeds.join(', ') }}</strong></p>
        <p class="mute">Circuits {{ data.split }}. The longest pipe first; nipples freed before a line is opened.</p>
      </template>
      <p class="mute">Altered brakes are inspected by somebody licensed before it goes on a road.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>
