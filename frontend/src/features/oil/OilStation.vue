<script setup lang="ts">
import FactPanel from '../../station/FactPanel.vue'
import StationFrame from '../../station/StationFrame.vue'
import HowItLies from './components/HowItLies.vue'
import PanBench from './components/PanBench.vue'
</script>

<template>
  <StationFrame system="oil">
    <template #fitted="{ block }">
      <FactPanel section="oil" :cautions="block?.cautions ?? []" />
      <FactPanel section="installation" title="How it lies" :only="['Lie', 'Under the pan']" />
    </template>
    <template #instrument>
      <PanBench />
      <HowItLies />
    </template>
  </StationFrame>
</template>
