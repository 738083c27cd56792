<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, type Component } from 'vue'
import FactPanel from '../../shared/FactPanel.vue'
import StationFrame from '../../shared/StationFrame.vue'
import ViewTabs from '../../shared/ViewTabs.vue'
import ChangePanel from './components/ChangePanel.vue'
import CircuitPanel from './components/CircuitPanel.vue'
import LinesPanel from './components/LinesPanel.vue'
import PumpPanel from './components/PumpPanel.vue'
import SpeedPanel from './components/SpeedPanel.vue'
import TankPanel from './components/TankPanel.vue'

const VIEWS: { id: string; label: string; shows: Component }[] = [
  { id: 'circuit', label: 'Circuit', shows: CircuitPanel },
  { id: 'pumps', label: 'Pumps', shows: PumpPanel },
  { id: 'speed', label: 'Over speed', shows: SpeedPanel },
  { id: 'lines', label: 'Lines and suction', shows: LinesPanel },
  { id: 'tank', label: 'Tank', shows: TankPanel },
  { id: 'guards', label: 'Guards and change', shows: ChangePanel },
]
const view = useSessionStorage('fuel-view', 'circuit')
const shown = computed(() => VIEWS.find((v) => v.id === view.value) ?? VIEWS[0])
</script>

<template>
  <StationFrame system="fuel">
    <template #fitted="{ block }">
      <FactPanel section="fuel" :cautions="block?.cautions ?? []" />
    </template>
    <template #instrument>
      <div class="drawn">
        <ViewTabs v-model="view" :tabs="VIEWS" label="Drawings of the fuel" />
        <component :is="shown?.shows" />
      </div>
    </template>
  </StationFrame>
</template>

<style scoped>
.drawn {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
</style>
