<script setup lang="ts">
import FactPanel from '../../station/FactPanel.vue'
import StationViews from '../../station/StationViews.vue'
import ChargeCard from './components/ChargeCard.vue'
import IntakeCard from './components/IntakeCard.vue'
import SpaceCard from './components/SpaceCard.vue'
import WaterCard from './components/WaterCard.vue'

const VIEWS = [
  { id: 'intake', label: 'The way in', shows: IntakeCard },
  { id: 'charge', label: 'Charge', shows: ChargeCard },
  { id: 'water', label: 'Water', shows: WaterCard },
  { id: 'space', label: 'Engine space', shows: SpaceCard },
]
</script>

<template>
  <StationViews system="air" :views="VIEWS" label="Drawings of the air">
    <template #facts><FactPanel section="cooling" title="The core's way out" :only="['Air']" /></template>
  </StationViews>
</template>
