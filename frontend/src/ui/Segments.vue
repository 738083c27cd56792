<script setup lang="ts">
import Segmented from 'ant-design-vue/es/segmented'
import { useId, useTemplateRef, watchPostEffect } from 'vue'
import { groupRadios } from './mend'
import type { Option } from './options'

/** One of a few, all in sight. */
const props = defineProps<{ label: string; options: Option[]; block?: boolean }>()
const picked = defineModel<string | number>({ required: true })
const id = useId()
const box = useTemplateRef<HTMLElement>('box')
watchPostEffect(() => groupRadios(box.value, id, props.options))
</script>

<template>
  <span ref="box" class="segments" role="radiogroup" :aria-label="label">
    <Segmented v-model:value="picked" :options="options" :block="block" />
  </span>
</template>

<style scoped>
.segments {
  display: inline-block;
  flex: none;
  max-width: 100%;
  overflow-x: auto;
}
.segments :deep(.ant-segmented-item) {
  color: var(--mute);
}
/* What is drawn under the pointer lies over the label, and is opaque here. */
.segments :deep(.ant-segmented-item-label) {
  position: relative;
  z-index: 1;
}
.segments :deep(.ant-segmented-item-selected) {
  color: var(--ink);
}
@media (max-width: 720px) {
  .segments :deep(.ant-segmented-item-label) {
    min-height: 44px;
    padding: 0 9px;
    font: 600 15px/44px var(--labels);
  }
}
</style>
