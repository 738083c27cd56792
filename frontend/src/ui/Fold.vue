<script setup lang="ts">
import Collapse from 'ant-design-vue/es/collapse'
import { computed } from 'vue'

/** A heading that opens to what lies under it. */
defineProps<{ title?: string }>()
const open = defineModel<boolean>('open', { default: false })
const keys = computed({ get: () => (open.value ? ['in'] : []), set: (now: string[] | string) => (open.value = now.length > 0) })
const slots = defineSlots<{ default(): unknown; title(): unknown; extra(): unknown }>()
</script>

<template>
  <Collapse v-model:active-key="keys as never" class="fold" ghost>
    <Collapse.Panel key="in" destroy-inactive-panel>
      <template #header><slot name="title">{{ title }}</slot></template>
      <template v-if="slots.extra" #extra><slot name="extra" /></template>
      <slot />
    </Collapse.Panel>
  </Collapse>
</template>

<style scoped>
.fold :deep(.ant-collapse-header) {
  padding: 7px 0 !important;
  align-items: baseline !important;
}
.fold :deep(.ant-collapse-content-box) {
  padding: 0 0 10px !important;
}
@media (max-width: 720px) {
  .fold :deep(.ant-collapse-header) {
    min-height: 44px;
  }
}
</style>
