<script setup lang="ts">
import PartList from '../../../station/PartList.vue'
</script>

<template>
  <PartList place="electrics.loads" title="What draws" empty="One after another: what it is, its amps by a clamp meter or its plate. Radiator fans come from Cooling." />
  <PartList place="electrics.runs" title="Runs of wire" empty="Each with what it feeds, its length, its size, how it lies, and its fuse." />
  <PartList place="electrics.senders" title="Senders" empty="Each with what it tells, its ohms and its gauge’s at two places or more, where it sits, its thread and the hole’s." />
  <PartList place="electrics.signals" title="Pins" empty="Pasted as a list under “Signals”, or said there one by one." />
</template>
