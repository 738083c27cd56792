<script setup lang="ts">
import Tabs from 'ant-design-vue/es/tabs'
import { nextTick, onMounted, useTemplateRef, watch } from 'vue'
import { roveTabs, stepTab } from './mend'

/** One of several drawings, picked by click, tap or arrow keys; what is picked stands in the slot. */
const props = defineProps<{ tabs: { id: string; label: string }[]; label: string }>()
const picked = defineModel<string>({ required: true })
const box = useTemplateRef<HTMLElement>('box')

const mend = () => nextTick(() => roveTabs(box.value, props.label))
watch([picked, () => props.tabs], mend)
onMounted(mend)
const step = (event: KeyboardEvent, by: number) => stepTab(box.value, event, by)
</script>

<template>
  <div ref="box" class="tabs" @keydown.right="step($event, 1)" @keydown.left="step($event, -1)">
    <Tabs v-model:active-key="picked" :animated="false" :tab-bar-gutter="2">
      <Tabs.TabPane v-for="tab in tabs" :key="tab.id" :tab="tab.label"><slot v-if="tab.id === picked" /></Tabs.TabPane>
    </Tabs>
  </div>
</template>

<style scoped>
.tabs :deep(.ant-tabs-nav) {
  margin-bottom: 12px;
}
.tabs :deep(.ant-tabs-tab) {
  padding: 7px 9px;
  color: var(--mute);
  font: 600 15px/1.3 var(--labels);
}
.tabs :deep(.ant-tabs-tab-active .ant-tabs-tab-btn) {
  color: var(--ink);
  text-shadow: none;
}
/* Every drawing in sight: a row too long goes on in a second, which the library's moving bar does not know. */
.tabs :deep(.ant-tabs-nav-list) {
  flex-wrap: wrap;
}
.tabs :deep(.ant-tabs-nav-operations),
.tabs :deep(.ant-tabs-ink-bar) {
  display: none;
}
.tabs :deep(.ant-tabs-tab) {
  border-bottom: 3px solid transparent;
}
.tabs :deep(.ant-tabs-tab-active) {
  border-bottom-color: var(--brass);
}
.tabs :deep(.ant-tabs-tabpane) {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
@media (max-width: 720px) {
  .tabs :deep(.ant-tabs-tab) {
    padding: 12px 11px;
  }
  /* A thumb drags the row. */
  .tabs :deep(.ant-tabs-nav-list) {
    flex-wrap: nowrap;
  }
}
</style>
