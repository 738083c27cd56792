<script setup lang="ts">
import AutoComplete from 'ant-design-vue/es/auto-complete'
import { nextTick, onMounted, useTemplateRef, watchPostEffect } from 'vue'
import { mendList, nameField } from './mend'

/** Words typed, and what goes by them; one of it is picked by Enter or a press. */
export interface Found {
  value: string
  label: string
  where: string
}
const props = defineProps<{ label: string; found: Found[]; placeholder?: string }>()
const text = defineModel<string>({ required: true })
const emit = defineEmits<{ pick: [value: string] }>()
const box = useTemplateRef<HTMLElement>('box')
watchPostEffect(() => {
  nameField(box.value, props.label)
  if (props.found.length) void nextTick(() => mendList(box.value, props.label))
})
// A dialog takes the focus for itself first.
onMounted(() => setTimeout(() => box.value?.querySelector('input')?.focus(), 60))
</script>

<template>
  <div ref="box" class="finder">
    <AutoComplete :value="text" :options="found.map((f) => ({ ...f, role: 'option' })) as never" :open="found.length > 0" :default-active-first-option="true" :placeholder="placeholder" :transition-name="''" :list-height="384"
      @search="(typed: string) => (text = typed)" @select="(value: unknown) => emit('pick', String(value))">
      <template #option="item"><span class="line"><span>{{ (item as unknown as Found).label }}</span><span class="mute">{{ (item as unknown as Found).where }}</span></span></template>
    </AutoComplete>
  </div>
</template>

<style scoped>
.finder :deep(.ant-select) {
  width: 100%;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
</style>
