<script setup lang="ts">
import StationViews from '../../station/StationViews.vue'
import { useWorst } from '../../station/useWorst'
import DrivenCard from './components/DrivenCard.vue'
import PulleysCard from './components/PulleysCard.vue'
import RouteCard from './components/RouteCard.vue'

const VIEWS = [
  { id: 'route', label: 'Route', shows: RouteCard },
  { id: 'driven', label: 'Speeds, loads', shows: DrivenCard },
  { id: 'pulleys', label: 'Pulleys', shows: PulleysCard },
]
const { detail, headingKnown } = useWorst('belts')
</script>

<template>
  <StationViews system="belts" :views="VIEWS" label="Drawings of the belts" :title="headingKnown('belts')" :detail="detail" />
</template>
