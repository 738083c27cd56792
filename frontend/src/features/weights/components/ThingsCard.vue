<script setup lang="ts">
import PartList from '../../../station/PartList.vue'
</script>

<template>
  <PartList place="weights.items" title="What comes out, what goes in" empty="The old engine and gearbox first, each with its weight, its state of dress and where its balance point was. The new engine and gearbox are counted already." />
</template>
