<script setup lang="ts">
import StationViews from '../../station/StationViews.vue'
import { useWorst } from '../../station/useWorst'
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
const { detail, headingKnown } = useWorst('electrics')
</script>

<template>
  <StationViews system="electrics" :views="VIEWS" label="Drawings of the electrics" :title="headingKnown('electrics')" :detail="detail" />
</template>
