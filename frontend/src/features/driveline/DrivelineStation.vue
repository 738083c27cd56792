<script setup lang="ts">
import StationViews from '../../station/StationViews.vue'
import CarriedCard from './components/CarriedCard.vue'
import GearsCard from './components/GearsCard.vue'
import HalvesCard from './components/HalvesCard.vue'
import ListsCard from './components/ListsCard.vue'
import OilCard from './components/OilCard.vue'
import ShaftsCard from './components/ShaftsCard.vue'
import StackCard from './components/StackCard.vue'

const VIEWS = [
  { id: 'stack', label: 'Stack', shows: StackCard },
  { id: 'gears', label: 'Gears', shows: GearsCard },
  { id: 'carried', label: 'What carries', shows: CarriedCard },
  { id: 'shafts', label: 'Propshafts', shows: ShaftsCard },
  { id: 'halves', label: 'Half-shafts', shows: HalvesCard },
  { id: 'oil', label: 'Its oil', shows: OilCard },
  { id: 'lists', label: 'Parts', shows: ListsCard },
]
</script>

<template>
  <StationViews system="driveline" :views="VIEWS" label="Drawings of the driveline" />
</template>
