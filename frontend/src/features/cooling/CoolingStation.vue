<script setup lang="ts">
import StationViews from '../../station/StationViews.vue'
import AirPlot from './components/AirPlot.vue'
import DutyAnswers from './components/DutyAnswers.vue'
import HeatMap from './components/HeatMap.vue'
import LoopDrawing from './components/LoopDrawing.vue'
import StackDrawing from './components/StackDrawing.vue'
import StandCard from './components/StandCard.vue'
import TimeCards from './components/TimeCards.vue'

const VIEWS = [
  { id: 'air', label: 'Air', shows: AirPlot },
  { id: 'duties', label: 'By duty', shows: DutyAnswers },
  { id: 'stack', label: 'Stack', shows: StackDrawing },
  { id: 'loop', label: 'Coolant', shows: LoopDrawing },
  { id: 'time', label: 'Through time', shows: TimeCards },
  { id: 'map', label: 'Where it holds', shows: HeatMap },
  { id: 'stand', label: 'On the stand', shows: StandCard },
]
</script>

<template>
  <StationViews system="cooling" :views="VIEWS" label="Drawings of the cooling" />
</template>
