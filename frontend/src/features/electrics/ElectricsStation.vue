<script setup lang="ts">
import { computed } from 'vue'
import StationViews from '../../station/StationViews.vue'
import { useBuild } from '../../stores/build'
import { percent } from '../../ui/format'
import ChoicesCard from './components/ChoicesCard.vue'
import ColdCard from './components/ColdCard.vue'
import ListsCard from './components/ListsCard.vue'
import LoadsCard from './components/LoadsCard.vue'
import SendersCard from './components/SendersCard.vue'
import SignalsCard from './components/SignalsCard.vue'
import WiresCard from './components/WiresCard.vue'

const VIEWS = [
  { id: 'loads', label: 'Draws', shows: LoadsCard },
  { id: 'cold', label: 'Cold start', shows: ColdCard },
  { id: 'wires', label: 'Wires', shows: WiresCard },
  { id: 'signals', label: 'Signals', shows: SignalsCard },
  { id: 'senders', label: 'Senders', shows: SendersCard },
  { id: 'choices', label: 'Choices', shows: ChoicesCard },
  { id: 'lists', label: 'What is fitted', shows: ListsCard },
]
const build = useBuild()
const block = computed(() => build.report?.systems.electrics)
const worst = computed(() => block.value?.checks.filter((c) => c.class === 'limit').reduce((a, b) => (a && a.fill >= b.fill ? a : b), undefined as undefined | NonNullable<typeof block.value>['checks'][number]))
/** Electrics are many: whether they hold, and what is nearest to its limit. */
const title = computed(() => {
  const c = worst.value
  if (!c) return ''
  if (c.fill > 1) return `${c.name}: ${percent(c.fill)} of what it stands.`
  return block.value?.unknown.length ? `What is known of the electrics holds, ${percent(c.fill)} full at most.` : `The electrics hold, ${percent(c.fill)} full at most.`
})
const detail = computed(() => (title.value && worst.value ? `${worst.value.name}: ${worst.value.sentence}` : ''))
</script>

<template>
  <StationViews system="electrics" :views="VIEWS" label="Drawings of the electrics" :title="title || undefined" :detail="detail || undefined" />
</template>
