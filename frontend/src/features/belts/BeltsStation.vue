<script setup lang="ts">
import { computed } from 'vue'
import StationViews from '../../station/StationViews.vue'
import { useWorst } from '../../station/useWorst'
import { percent } from '../../ui/format'
import DrivenCard from './components/DrivenCard.vue'
import PulleysCard from './components/PulleysCard.vue'
import RouteCard from './components/RouteCard.vue'

const VIEWS = [
  { id: 'route', label: 'Route', shows: RouteCard },
  { id: 'driven', label: 'Speeds, loads', shows: DrivenCard },
  { id: 'pulleys', label: 'Pulleys', shows: PulleysCard },
]
const { block, worst, detail } = useWorst('belts')
/** Belts are many: whether they hold, and what is nearest to its limit. */
const title = computed(() => {
  const c = worst.value
  if (!c) return ''
  if (c.fill > 1) return `${c.name}: ${percent(c.fill)} of what it stands.`
  return block.value?.unknown.length ? `What is known of the belts holds, ${percent(c.fill)} full at most.` : `The belts hold, ${percent(c.fill)} full at most.`
})
</script>

<template>
  <StationViews system="belts" :views="VIEWS" label="Drawings of the belts" :title="title || undefined" :detail="title ? detail : undefined" />
</template>
