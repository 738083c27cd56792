<script setup lang="ts">
import PartList from '../../../station/PartList.vue'
</script>

<template>
  <PartList place="routes.routes" title="Runs" empty="One after another: what it is, from where to where, its bore, its length with slack, how it lies." />
  <PartList place="routes.joints" title="Joints" empty="A thread in a hole, a hose over a spigot: what goes in what, before it is ordered." />
</template>
