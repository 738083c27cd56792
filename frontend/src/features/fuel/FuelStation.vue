<script setup lang="ts">
import StationViews from '../../station/StationViews.vue'
import ChangePanel from './components/ChangePanel.vue'
import CircuitPanel from './components/CircuitPanel.vue'
import LinesPanel from './components/LinesPanel.vue'
import PumpPanel from './components/PumpPanel.vue'
import SpeedPanel from './components/SpeedPanel.vue'
import TankPanel from './components/TankPanel.vue'

const VIEWS = [
  { id: 'circuit', label: 'Circuit', shows: CircuitPanel },
  { id: 'pumps', label: 'Pumps', shows: PumpPanel },
  { id: 'speed', label: 'Over speed', shows: SpeedPanel },
  { id: 'lines', label: 'Lines and suction', shows: LinesPanel },
  { id: 'tank', label: 'Tank', shows: TankPanel },
  { id: 'guards', label: 'Guards and change', shows: ChangePanel },
]
</script>

<template>
  <StationViews system="fuel" :views="VIEWS" label="Drawings of the fuel" />
</template>
