<script setup lang="ts">
import { defineAsyncComponent, ref } from 'vue'
import { useBuild } from '../../stores/build'

/** The build's name, which opens to what can be done with the whole of it. */
const BuildDialog = defineAsyncComponent(() => import('./BuildDialog.vue'))
const build = useBuild()
const open = ref(false)
</script>

<template>
  <button class="name" type="button" title="Rename, copy, history" @click="open = true">{{ build.build?.name }}</button>
  <BuildDialog v-if="open" v-model:open="open" />
</template>

<style scoped>
.name {
  background: none;
  border: 0;
  color: inherit;
  font-weight: 500;
  font-size: 16px;
  cursor: pointer;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  min-width: 60px;
  min-height: 32px;
}
</style>
