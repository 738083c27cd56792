<script setup lang="ts">
import { watch } from 'vue'
import { useRoute } from 'vue-router'
import { SidePanel } from '../../ui/lazy'
import RailList from './RailList.vue'
import { useNarrow } from '../../ui/useNarrow'

/** The rail: beside the page, or on a phone a drawer that shuts once a place is picked. */
defineProps<{ id: string }>()
const open = defineModel<boolean>('open', { required: true })
const narrow = useNarrow()
const route = useRoute()
watch(() => route.path, () => (open.value = false))
</script>

<template>
  <nav v-if="!narrow" class="rail noprint" aria-label="Stations"><RailList :id="id" /></nav>
  <SidePanel v-else v-model:open="open" title="Stations" side="left" :width="300" bare>
    <nav class="drawer" aria-label="Stations"><RailList :id="id" /></nav>
  </SidePanel>
</template>

<style scoped>
.rail {
  grid-area: rail;
  background: var(--rail);
  border-right: 1px solid var(--line);
  overflow-y: auto;
  padding: 12px 0;
}
.drawer {
  background: var(--rail);
  min-height: 100dvh;
  padding: 8px 0 24px;
}
</style>
