<script setup lang="ts">
import { computed } from 'vue'
import StationViews from '../../station/StationViews.vue'
import { useWorst } from '../../station/useWorst'
import { percent } from '../../ui/format'
import JointsCard from './components/JointsCard.vue'
import LedgerCard from './components/LedgerCard.vue'
import ListsCard from './components/ListsCard.vue'

const VIEWS = [
  { id: 'ledger', label: 'Ledger', shows: LedgerCard },
  { id: 'joints', label: 'Joints, threads', shows: JointsCard },
  { id: 'lists', label: 'What is fitted', shows: ListsCard },
]
const { worst, detail } = useWorst('routes')
/** Routes are many: whether they hold, and what is nearest to its limit. */
const title = computed(() => {
  const c = worst.value
  if (!c) return ''
  return c.fill > 1 ? `${c.name}: ${percent(c.fill)} of what it may be.` : `The routes hold, ${percent(c.fill)} full at most.`
})
</script>

<template>
  <StationViews system="routes" :views="VIEWS" label="Drawings of the routes" :title="title || undefined" :detail="title ? detail : undefined" />
</template>
