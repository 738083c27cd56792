<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'
import { halfSaid, type Half } from '../logic'

/** Half-shafts over the wheel's travel: bend and slide; what to order; whether they go in. */
const words = useVocabulary()
const look = inject(THEME)
const { data, waiting } = useInstrument('driveline/halves', ref({}))
const show = (v: number, kind: string) => words.show(v, kind)
const bad = (h: Half) => Math.max(...h.angle) > h.most || h.outer > h.outer_most || h.goes_in === false || (h.owned === null ? h.slides > h.has : Math.abs(h.owned - h.order) + h.slides / 2 > h.has / 2)
const COLUMNS: Column<Half>[] = [
  { key: 'name', title: 'Half-shaft', head: true, show: (h) => h.name },
  { key: 'order', title: 'to order, joint to joint', right: true, show: (h) => show(h.order, 'length') },
  { key: 'owned', title: 'the one there', right: true, show: (h) => (h.owned === null ? '–' : show(h.owned, 'length')), over: (h) => h.owned !== null && Math.abs(h.owned - h.order) + h.slides / 2 > h.has / 2 },
  { key: 'slides', title: 'slides', right: true, show: (h) => `${show(h.slides, 'size')} of ${show(h.has, 'size')}`, over: (h) => h.slides > h.has },
  { key: 'inner', title: 'inner bends', right: true, show: (h) => `${show(Math.max(...h.angle), 'angle')} of ${show(h.most, 'angle')}`, over: (h) => Math.max(...h.angle) > h.most },
  { key: 'runs', title: 'standing', right: true, mute: true, show: (h) => show(h.runs, 'angle') },
  { key: 'outer', title: 'outer bends', right: true, show: (h) => show(h.outer, 'angle'), over: (h) => h.outer > h.outer_most },
  { key: 'goes', title: 'goes in', right: true, show: (h) => (h.goes_in === null ? 'not known' : h.goes_in ? 'engine in' : 'before the engine'), over: (h) => h.goes_in === false },
]
const option = computed(() => {
  const d = data.value
  if (!d?.halves.length || look === undefined) return null
  void look.dark.value
  const colours = ['driveline', 'engine', 'mute', 'fuel'] as const
  return plotOption({
    x: `wheel up, ${words.unit('length')}`, y: `inner joint, ${words.unit('angle')}`,
    lines: d.halves.map((h, i) => ({ name: h.name.replace(' half-shaft', '').toLowerCase(), points: h.travel.map((z, k): [number, number] => [Number(words.value(z, 'length').toFixed(2)), words.value(h.angle[k] ?? 0, 'angle')]), colour: read(colours[i % 4] ?? 'mute'), dashed: i % 2 === 1, at: 0.15 + 0.2 * i })),
  })
})
</script>

<template>
  <section class="card pad" data-halves>
    <h2 class="label">Half-shafts over the travel</h2>
    <template v-if="data">
      <template v-if="data.halves.length">
        <p v-for="h in data.halves" :key="h.id" role="status"><strong :class="{ over: bad(h) }">{{ halfSaid(h, show) }}</strong></p>
        <DataTable :id="(h) => h.id" label="Half-shafts" :columns="COLUMNS" :rows="data.halves" />
        <ChartPanel v-if="option" :option="option" label="Bend of the inner joints over the wheel's travel" />
      </template>
      <p v-if="data.missing.length" class="mute">Still to be stated: {{ data.missing.map((p) => words.label(p).toLowerCase()).join(', ') }}.</p>
      <p v-else-if="!data.halves.length" class="mute">List them under “Parts”: where both joints lie, the arm, how far the wheel goes. Taped on the unit, they follow where Fit places the engine.</p>
      <p class="mute">Length to order: its inner joint half slid, so that it neither bottoms nor pulls apart. Turn each shaft a full turn before its bolts are torqued.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>
