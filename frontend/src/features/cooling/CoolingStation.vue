<script setup lang="ts">
import FactPanel from '../../shared/FactPanel.vue'
import StationFrame from '../../shared/StationFrame.vue'
import AirPlot from './components/AirPlot.vue'
import DepthStack from './components/DepthStack.vue'
import HeatMap from './components/HeatMap.vue'
</script>

<template>
  <StationFrame system="cooling">
    <template #fitted="{ block }">
      <FactPanel section="cooling" :cautions="block?.cautions ?? []" />
    </template>
    <template #instrument>
      <AirPlot />
      <DepthStack />
      <HeatMap />
    </template>
  </StationFrame>
</template>
