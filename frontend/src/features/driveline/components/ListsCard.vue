<script setup lang="ts">
import PartList from '../../../station/PartList.vue'
</script>

<template>
  <PartList place="driveline.shafts" title="Shafts" empty="From the gearbox to the axle, one after another: length, slope, tube, slip." />
  <PartList place="driveline.halves" title="Half-shafts" empty="Side by side: where both joints lie, how far the wheel goes, how thick." />
  <PartList place="driveline.members" title="Things that carry" empty="Differential, joints, transfer box: the torque each may be given." />
  <PartList place="driveline.boxes" title="Gearboxes to compare" empty="Ratios of another gearbox: speeds, grades and times beside those of the one stated." />
</template>
