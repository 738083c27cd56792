<script setup lang="ts">
import FactPanel from '../../station/FactPanel.vue'
import StationViews from '../../station/StationViews.vue'
import InstalledCard from './components/InstalledCard.vue'
import PanBench from './components/PanBench.vue'
import PressureCard from './components/PressureCard.vue'
import PrimingCard from './components/PrimingCard.vue'
import ReturnsCard from './components/ReturnsCard.vue'
import SumpsCard from './components/SumpsCard.vue'

const VIEWS = [
  { id: 'pan', label: 'In the pan', shows: PanBench },
  { id: 'installed', label: 'As installed', shows: InstalledCard },
  { id: 'pressure', label: 'Pressure', shows: PressureCard },
  { id: 'returns', label: 'Returns', shows: ReturnsCard },
  { id: 'sumps', label: 'Wet or dry', shows: SumpsCard },
  { id: 'priming', label: 'Priming', shows: PrimingCard },
]
</script>

<template>
  <StationViews system="oil" :views="VIEWS" label="Drawings of the oil">
    <template #facts><FactPanel section="installation" title="How it lies" :only="['Lie', 'Under the pan']" /></template>
  </StationViews>
</template>
