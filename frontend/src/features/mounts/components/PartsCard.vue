<script setup lang="ts">
import PartList from '../../../station/PartList.vue'
</script>

<template>
  <PartList place="mounts.mounts" title="Mounts" empty="Three or more, each by its place on the engine: ahead of the bell’s face, left of the crank, over it. What it is made of gives its stiffness until you state it." />
  <PartList place="mounts.brackets" title="Brackets" empty="What carries a mount: its section, thickness and arm; its weld, its bolts. Home-made ones first." />
</template>
