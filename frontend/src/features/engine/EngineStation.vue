<script setup lang="ts">
import FactPanel from '../../station/FactPanel.vue'
import StationFrame from '../../station/StationFrame.vue'
import EngineCurves from './components/EngineCurves.vue'
import EngineFigures from './components/EngineFigures.vue'
import EnergySplit from './components/EnergySplit.vue'
</script>

<template>
  <StationFrame system="engine">
    <template #fitted>
      <FactPanel section="engine" title="Engine" />
      <EngineFigures />
    </template>
    <template #instrument>
      <EnergySplit />
      <EngineCurves />
    </template>
  </StationFrame>
</template>
