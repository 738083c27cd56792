<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, type Component } from 'vue'
import FactPanel from './FactPanel.vue'
import StationFrame from './StationFrame.vue'
import ViewTabs from '../ui/ViewTabs.vue'

/** A station with several drawings: its facts beside the one picked, which is kept for the session. */
const props = defineProps<{ system: string; views: { id: string; label: string; shows: Component }[]; label: string }>()
const view = useSessionStorage(`${props.system}-view`, props.views[0]?.id ?? '')
const shown = computed(() => props.views.find((v) => v.id === view.value) ?? props.views[0])
</script>

<template>
  <StationFrame :system="system">
    <template #fitted="{ block }">
      <FactPanel :section="system" :cautions="block?.cautions ?? []" />
    </template>
    <template #instrument>
      <div class="drawn">
        <ViewTabs v-model="view" :tabs="views" :label="label" />
        <component :is="shown?.shows" />
      </div>
    </template>
  </StationFrame>
</template>

<style scoped>
.drawn {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
</style>
