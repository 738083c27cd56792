<script setup lang="ts">
import StationViews from '../../station/StationViews.vue'
import { useWorst } from '../../station/useWorst'
import JointsCard from './components/JointsCard.vue'
import LedgerCard from './components/LedgerCard.vue'
import ListsCard from './components/ListsCard.vue'

const VIEWS = [
  { id: 'ledger', label: 'Ledger', shows: LedgerCard },
  { id: 'joints', label: 'Joints, threads', shows: JointsCard },
  { id: 'lists', label: 'What is fitted', shows: ListsCard },
]
const { detail, heading } = useWorst('routes')
</script>

<template>
  <StationViews system="routes" :views="VIEWS" label="Drawings of the routes" :title="heading('routes', 'what it may be')" :detail="detail" />
</template>
