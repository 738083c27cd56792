<script setup lang="ts">
import { computed } from 'vue'
import StationViews from '../../station/StationViews.vue'
import { useBuild } from '../../stores/build'
import { percent } from '../../ui/format'
import JointsCard from './components/JointsCard.vue'
import LedgerCard from './components/LedgerCard.vue'
import ListsCard from './components/ListsCard.vue'

const VIEWS = [
  { id: 'ledger', label: 'Ledger', shows: LedgerCard },
  { id: 'joints', label: 'Joints, threads', shows: JointsCard },
  { id: 'lists', label: 'What is fitted', shows: ListsCard },
]
const build = useBuild()
const block = computed(() => build.report?.systems.routes)
const worst = computed(() => block.value?.checks.filter((c) => c.class === 'limit').reduce((a, b) => (a && a.fill >= b.fill ? a : b), undefined as undefined | NonNullable<typeof block.value>['checks'][number]))
/** Routes are many: whether they hold, and what is nearest to its limit. */
const title = computed(() => {
  const c = worst.value
  if (!c) return ''
  return c.fill > 1 ? `${c.name}: ${percent(c.fill)} of what it may be.` : `The routes hold, ${percent(c.fill)} full at most.`
})
const detail = computed(() => (title.value && worst.value ? `${worst.value.name}: ${worst.value.sentence}` : ''))
</script>

<template>
  <StationViews system="routes" :views="VIEWS" label="Drawings of the routes" :title="title || undefined" :detail="detail || undefined" />
</template>
