<script setup lang="ts">
import { ref } from 'vue'
import type { View } from '../../../api/client'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import FiveTapes from './FiveTapes.vue'

/** Chains of measures: what is left of each, how sure, and how long a foot's slot must be to take that up. */
type Chain = View<'fit/doubt'>['chains'][number]
const words = useVocabulary()
const { data, waiting } = useInstrument('fit/doubt', ref({}))
const sum = (c: Chain) => c.links.map((l) => `${l.sign > 0 ? '+' : '−'} ${words.show(l.length, 'length')}`).join(' ')
const named = (c: Chain) => c.links.map((l) => words.within(l.path)).join(', ')
const COLUMNS: Column<Chain>[] = [
  { key: 'name', title: 'Chain', head: true },
  { key: 'left', title: 'Left', right: true, show: (c) => words.show(c.left, 'length'), over: (c) => c.left < 0 },
  { key: 'rss', title: '± by squares', right: true, show: (c) => words.show(c.rss, 'size') },
  { key: 'worst', title: '± worst case', right: true, show: (c) => words.show(c.worst, 'size') },
  { key: 'slot', title: 'Slot', right: true, show: (c) => words.show(c.slot, 'size') },
]
</script>

<template>
  <section class="card pad" data-chains>
    <h2 class="label">Chains of measures</h2>
    <template v-if="data">
      <DataTable :id="(c) => c.id" label="Chains of measures" :columns="COLUMNS" :rows="data.chains">
        <template #cell="{ column, row }">
          <template v-if="column.key === 'name'">{{ row.name }}<br /><span class="mute sum" :title="named(row)">{{ sum(row) }}</span></template>
          <template v-else>{{ column.show?.(row) }}</template>
        </template>
      </DataTable>
      <p class="mute">By squares where each measure is taken for itself, worst case where all err the same way; a millimetre for the tape's hook in both. A jig's foot needs a slot so long to take up what is not known.</p>
    </template>
    <FiveTapes v-else :waiting="waiting" />
  </section>
</template>

<style scoped>
.sum {
  font: 500 13px/1.3 var(--labels);
}
</style>
