<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, type Component } from 'vue'
import FactPanel from '../../shared/FactPanel.vue'
import StationFrame from '../../shared/StationFrame.vue'
import ViewTabs from '../../shared/ViewTabs.vue'
import AirPlot from './components/AirPlot.vue'
import DutyAnswers from './components/DutyAnswers.vue'
import HeatMap from './components/HeatMap.vue'
import LoopDrawing from './components/LoopDrawing.vue'
import StackDrawing from './components/StackDrawing.vue'
import StandCard from './components/StandCard.vue'
import TimePanel from './components/TimePanel.vue'

const VIEWS: { id: string; label: string; shows: Component }[] = [
  { id: 'air', label: 'Air', shows: AirPlot },
  { id: 'duties', label: 'By duty', shows: DutyAnswers },
  { id: 'stack', label: 'Stack', shows: StackDrawing },
  { id: 'loop', label: 'Coolant', shows: LoopDrawing },
  { id: 'time', label: 'Through time', shows: TimePanel },
  { id: 'map', label: 'Where it holds', shows: HeatMap },
  { id: 'stand', label: 'On the stand', shows: StandCard },
]
const view = useSessionStorage('cooling-view', 'air')
const shown = computed(() => VIEWS.find((v) => v.id === view.value) ?? VIEWS[0])
</script>

<template>
  <StationFrame system="cooling">
    <template #fitted="{ block }">
      <FactPanel section="cooling" :cautions="block?.cautions ?? []" />
    </template>
    <template #instrument>
      <div class="drawn">
        <ViewTabs v-model="view" :tabs="VIEWS" label="Drawings of the cooling" />
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
