<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import type { View } from '../../../api/client'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import DataTable from '../../../ui/DataTable.vue'
import { percent } from '../../../ui/format'
import type { Column } from '../../../ui/grid'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import HoldsNothing from './HoldsNothing.vue'

/** What of the engine's shake passes over its speed, and the six ways it swings. */
type Mode = View<'mounts/shake'>['modes'][number]
const words = useVocabulary()
const look = inject(THEME)
const { data, waiting } = useInstrument('mounts/shake', ref({}))
const MOST = 200
const option = computed(() => {
  const d = data.value
  if (!d || look === undefined) return null
  void look.dark.value
  const line = (values: number[]) => d.speed.map((n, i): [number, number] => [n, Math.min(100 * (values[i] ?? 0), MOST)])
  return plotOption({
    x: 'rpm', y: '% of the shake',
    lines: [
      { name: 'passes', points: line(d.passes), colour: read('mounts'), at: 0.3, side: 'right' },
      { name: 'felt past this', points: line(d.speed.map(() => 0.5)), colour: read('ink'), dashed: true, at: 0.85, side: 'top' },
      { name: 'idle', points: [[d.idle, 0], [d.idle, MOST]], colour: read('brass'), at: 0.9, side: 'right' },
    ],
  })
})
const COLUMNS: Column<Mode>[] = [
  { key: 'name', title: 'It swings', head: true, show: (m) => m.name },
  { key: 'frequency', title: 'At', right: true, show: (m) => words.show(m.frequency, 'frequency') },
  { key: 'speed', title: 'Met by the firing at', right: true, mute: true, show: (m) => words.show(m.speed, 'speed_rpm') },
]
</script>

<template>
  <section class="card pad" data-shake>
    <h2 class="label">Shake over the engine’s speed</h2>
    <template v-if="data">
      <p>At {{ words.show(data.idle, 'speed_rpm') }} it fires {{ words.show(data.firing, 'frequency') }}: {{ percent(data.at_idle) }} of its shake passes.</p>
      <ChartPanel v-if="option" :option="option" label="Share of the shake that passes, over the engine's speed" />
      <DataTable :id="(m) => `${m.name}${m.frequency}`" label="Ways it swings" :columns="COLUMNS" :rows="data.modes" />
      <p class="mute">Mounts are stiffer to what is quick than to what presses: by a quarter for soft rubber, by half for polyurethane. Stopping and starting pass through all of these.</p>
    </template>
    <HoldsNothing v-else :waiting="waiting" />
  </section>
</template>
