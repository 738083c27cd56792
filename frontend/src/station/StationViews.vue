<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, type Component } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import FactPanel from './FactPanel.vue'
import StationFrame from './StationFrame.vue'
import ViewTabs from '../ui/ViewTabs.vue'

/** A station with several drawings: its facts beside the one picked, which stands in the address. */
const props = defineProps<{ system: string; views: { id: string; label: string; shows: Component }[]; label: string; title?: string; detail?: string }>()
defineSlots<{ facts(): unknown }>()
const route = useRoute()
const router = useRouter()
const last = useSessionStorage(`${props.system}-view`, props.views[0]?.id ?? '')
/** The address says which; without one it is the one looked at last. */
const view = computed({
  get: () => [route.params.view, last.value].map(String).find((id) => props.views.some((v) => v.id === id)) ?? props.views[0]?.id ?? '',
  set: (id: string) => {
    last.value = id
    void router.replace({ params: { ...route.params, view: id } })
  },
})
const shown = computed(() => props.views.find((v) => v.id === view.value))
</script>

<template>
  <StationFrame :system="system" :title="title" :detail="detail">
    <template #fitted="{ block }">
      <FactPanel :section="system" :cautions="block?.cautions ?? []" />
      <slot name="facts" />
    </template>
    <template #instrument>
      <div class="drawn">
        <ViewTabs v-model="view" :tabs="views" :label="label"><component :is="shown?.shows" /></ViewTabs>
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
