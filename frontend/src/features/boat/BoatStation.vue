<script setup lang="ts">
import StationViews from '../../station/StationViews.vue'
import CouplingCard from './components/CouplingCard.vue'
import PropellerCard from './components/PropellerCard.vue'
import RawCard from './components/RawCard.vue'
import SafetyCards from './components/SafetyCards.vue'
import WetCard from './components/WetCard.vue'

const VIEWS = [
  { id: 'exhaust', label: 'Wet exhaust', shows: WetCard },
  { id: 'raw', label: 'Raw water', shows: RawCard },
  { id: 'propeller', label: 'Propeller', shows: PropellerCard },
  { id: 'coupling', label: 'Coupling', shows: CouplingCard },
  { id: 'safety', label: 'Room, flooding', shows: SafetyCards },
]
</script>

<template>
  <StationViews system="boat" :views="VIEWS" label="Drawings of the boat" />
</template>
