<script setup lang="ts">
import StationViews from '../../station/StationViews.vue'
import { useWorst } from '../../station/useWorst'
import ClutchCard from './components/ClutchCard.vue'
import ListsCard from './components/ListsCard.vue'
import ShifterCard from './components/ShifterCard.vue'
import SteeringCard from './components/SteeringCard.vue'
import ThrottleCard from './components/ThrottleCard.vue'
import VacuumCard from './components/VacuumCard.vue'

const VIEWS = [
  { id: 'throttle', label: 'Throttle', shows: ThrottleCard },
  { id: 'brakes', label: 'Brakes', shows: VacuumCard },
  { id: 'clutch', label: 'Clutch', shows: ClutchCard },
  { id: 'shifter', label: 'Shifter', shows: ShifterCard },
  { id: 'steering', label: 'Steering', shows: SteeringCard },
  { id: 'small', label: 'Small ones', shows: ListsCard },
]
const { detail, headingKnown } = useWorst('controls')
</script>

<template>
  <StationViews system="controls" :views="VIEWS" label="Drawings of the controls" :title="headingKnown('controls')" :detail="detail" />
</template>
