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
  <div class="fold" :class="{ wide: slots.extra }">
    <Collapse v-model:active-key="keys as never" ghost>
      <Collapse.Panel key="in" destroy-inactive-panel>
        <template #header><slot name="title">{{ title }}</slot></template>
        <slot />
      </Collapse.Panel>
    </Collapse>
    <!-- The library would put it inside the heading, which is one button: buttons in a button are none to a reader. -->
    <span v-if="slots.extra" class="extra"><slot name="extra" /></span>
  </div>
</template>

<style scoped>
.fold {
  position: relative;
}
.extra {
  position: absolute;
  top: 5px;
  right: 0;
}
.fold :deep(.ant-collapse-header) {
  padding: 7px 0 !important;
  align-items: baseline !important;
}
.fold :deep(.ant-collapse-content-box) {
  padding: 0 0 10px !important;
}
.fold.wide :deep(.ant-collapse-header) {
  padding-right: var(--extra, 150px) !important;
}
@media (max-width: 720px) {
  .fold :deep(.ant-collapse-header) {
    min-height: 44px;
  }
}
</style>
