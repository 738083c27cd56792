<script setup lang="ts">
import { computed } from 'vue'
import StationViews from '../../station/StationViews.vue'
import { useBuild } from '../../stores/build'
import { percent } from '../../ui/format'
import DrivenCard from './components/DrivenCard.vue'
import PulleysCard from './components/PulleysCard.vue'
import RouteCard from './components/RouteCard.vue'

const VIEWS = [
  { id: 'route', label: 'Route', shows: RouteCard },
  { id: 'driven', label: 'Speeds, loads', shows: DrivenCard },
  { id: 'pulleys', label: 'Pulleys', shows: PulleysCard },
]
const build = useBuild()
const block = computed(() => build.report?.systems.belts)
const worst = computed(() => block.value?.checks.filter((c) => c.class === 'limit').reduce((a, b) => (a && a.fill >= b.fill ? a : b), undefined as undefined | NonNullable<typeof block.value>['checks'][number]))
/** Belts are many: whether they hold, and what is nearest to its limit. */
const title = computed(() => {
  const c = worst.value
  if (!c) return ''
  if (c.fill > 1) return `${c.name}: ${percent(c.fill)} of what it stands.`
  return block.value?.unknown.length ? `What is known of the belts holds, ${percent(c.fill)} full at most.` : `The belts hold, ${percent(c.fill)} full at most.`
})
const detail = computed(() => (title.value && worst.value ? `${worst.value.name}: ${worst.value.sentence}` : ''))
</script>

<template>
  <StationViews system="belts" :views="VIEWS" label="Drawings of the belts" :title="title || undefined" :detail="detail || undefined" />
</template>
