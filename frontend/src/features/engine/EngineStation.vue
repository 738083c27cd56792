<script setup lang="ts">
import FactPanel from '../../shared/FactPanel.vue'
import StationFrame from '../../shared/StationFrame.vue'
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
