<script setup lang="ts">
import { ref } from 'vue'
import type { View } from '../../../api/client'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import FiveTapes from './FiveTapes.vue'

/** What can be reached with the engine in its place: on its wheels, or raised. */
type Hand = View<'fit/hands'>['items'][number]
const words = useVocabulary()
const { data, waiting } = useInstrument('fit/hands', ref({}))
const REACH: Record<string, string> = { now: 'reached', raised: 'raised only', no: 'not reached' }
const room = (gap: number, by: string) => (gap < 0 ? `${by.toLowerCase()} in the way` : `${words.show(Math.min(gap, 0.2), 'size')}${gap > 0.2 ? ' and more' : ''}, ${by.toLowerCase()}`)
const COLUMNS: Column<Hand>[] = [
  { key: 'name', title: 'To reach', head: true, show: (h) => h.name },
  { key: 'tool', title: 'With', mute: true, show: (h) => h.tool },
  { key: 'reach', title: '', show: (h) => REACH[h.reach] ?? h.reach, over: (h) => h.reach === 'no' },
  { key: 'gap', title: 'Room on its wheels', show: (h) => room(h.gap, h.by) },
  { key: 'raised', title: 'Raised 400 mm', mute: true, show: (h) => (h.reach === 'now' ? '' : room(h.raised_gap, h.raised_by)) },
]
</script>

<template>
  <section class="card pad" data-hands>
    <h2 class="label">Hands and tools, bonnet open</h2>
    <template v-if="data">
      <DataTable :id="(h) => h.id" label="What can be reached" :columns="COLUMNS" :rows="data.items" />
      <p class="mute">A guide: a socket of 30 mm with a ratchet swung by 30°, a spanner, a fist of 110 mm, each with {{ words.show(data.keep, 'size') }} round it, where the sizes stated put drain, plugs and bolts. Filters are judged once they are stated as things of the bay.</p>
    </template>
    <FiveTapes v-else :waiting="waiting" />
  </section>
</template>
