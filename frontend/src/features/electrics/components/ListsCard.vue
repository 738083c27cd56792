<script setup lang="ts">
import PartList from '../../../station/PartList.vue'
</script>

<template>
  <PartList place="electrics.loads" title="What draws" empty="One after another: what it is, its amps by a clamp meter or its plate. Radiator fans come from Cooling." />
  <PartList place="electrics.runs" title="Runs of wire" empty="Each with what it feeds, its length, its size, how it lies, and its fuse." />
</template>
