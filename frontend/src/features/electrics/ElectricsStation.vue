<script setup lang="ts">
import { computed } from 'vue'
import StationViews from '../../station/StationViews.vue'
import { useWorst } from '../../station/useWorst'
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
const { block, worst, detail } = useWorst('electrics')
/** Electrics are many: whether they hold, and what is nearest to its limit. */
const title = computed(() => {
  const c = worst.value
  if (!c) return ''
  if (c.fill > 1) return `${c.name}: ${percent(c.fill)} of what it stands.`
  return block.value?.unknown.length ? `What is known of the electrics holds, ${percent(c.fill)} full at most.` : `The electrics hold, ${percent(c.fill)} full at most.`
})
</script>

<template>
  <StationViews system="electrics" :views="VIEWS" label="Drawings of the electrics" :title="title || undefined" :detail="title ? detail : undefined" />
</template>
