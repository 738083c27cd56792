<script setup lang="ts">
import { computed } from 'vue'
import StationViews from '../../station/StationViews.vue'
import { useBuild } from '../../stores/build'
import AirPlot from './components/AirPlot.vue'
import DutyAnswers from './components/DutyAnswers.vue'
import ExchangerCard from './components/ExchangerCard.vue'
import HeatMap from './components/HeatMap.vue'
import LoopDrawing from './components/LoopDrawing.vue'
import StackDrawing from './components/StackDrawing.vue'
import StandCard from './components/StandCard.vue'
import TimeCards from './components/TimeCards.vue'

const ASHORE = [
  { id: 'air', label: 'Air', shows: AirPlot },
  { id: 'duties', label: 'By duty', shows: DutyAnswers },
  { id: 'stack', label: 'Stack', shows: StackDrawing },
  { id: 'loop', label: 'Coolant', shows: LoopDrawing },
  { id: 'time', label: 'Through time', shows: TimeCards },
  { id: 'map', label: 'Where it holds', shows: HeatMap },
  { id: 'stand', label: 'On the stand', shows: StandCard },
]
const AFLOAT = [{ id: 'exchanger', label: 'Coolant', shows: ExchangerCard }]
const build = useBuild()
const afloat = computed(() => build.build?.facts['machine.kind']?.text === 'boat')
</script>

<template>
  <StationViews :key="afloat ? 'afloat' : 'ashore'" system="cooling" :views="afloat ? AFLOAT : ASHORE" label="Drawings of the cooling" />
</template>
