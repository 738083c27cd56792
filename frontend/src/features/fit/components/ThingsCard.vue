<script setup lang="ts">
import PartList from '../../../station/PartList.vue'
import FileCard from './FileCard.vue'
</script>

<template>
  <PartList place="fit.solids" title="Other things in the bay" empty="Filter, alternator, manifold, pipe, battery, brake unit, hoses: whatever stands in the way, each as a box, a round bar or points." />
  <FileCard />
</template>
