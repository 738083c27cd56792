<script setup lang="ts">
import Select from 'ant-design-vue/es/select'
import { computed, nextTick, ref, useTemplateRef, watchPostEffect } from 'vue'
import { mendList, nameField, shutField } from './mend'
import type { Option } from './options'
import { useNarrow } from './useNarrow'

/** One of several, from a list that opens; long lists are searched by typing. */
const props = defineProps<{ label: string; options: Option[]; placeholder?: string; quiet?: boolean; path?: string }>()
const picked = defineModel<string | number | undefined>()
/** Picked though it stands there already: what a rule made is stated so. */
const emit = defineEmits<{ again: [value: string | number] }>()
const again = (value: unknown) => value === picked.value && emit('again', value as string | number)
defineOptions({ inheritAttrs: false })

const LONG = 9 // of so many or more it is quicker to type
const opened = ref(false)
const phone = useNarrow()
/** On a phone the keys would cover the list. */
const searched = computed(() => props.options.length >= LONG && !phone.value)
const shown = computed(() => props.options.find((o) => o.value === picked.value)?.label ?? props.placeholder ?? '')
const listed = computed(() => props.options.map((option) => ({ ...option, role: 'option' })))
const box = useTemplateRef<HTMLElement>('box')
watchPostEffect(() => {
  nameField(box.value, `${props.label}: ${shown.value}`, props.path)
  if (!opened.value) shutField(box.value)
})

async function toggled(open: boolean): Promise<void> {
  opened.value = open
  await nextTick()
  if (open) mendList(box.value, props.label)
  else shutField(box.value)
}
const byLabel = (typed: string, option: unknown) => (option as Option).label.toLowerCase().includes(typed.trim().toLowerCase())
/** Esc shuts the list and nothing beside it. */
function esc(event: KeyboardEvent): void {
  if (opened.value) event.stopPropagation()
}
</script>

<template>
  <span ref="box" class="picking" :class="$attrs.class" :data-pick="path ?? label" @keydown.esc="esc">
    <Select v-model:value="picked" :options="listed as never" :placeholder="placeholder" :bordered="!quiet" :show-search="searched" not-found-content="nothing of that name" :filter-option="byLabel" :dropdown-match-select-width="false"
      :list-item-height="phone ? 44 : 32" :list-height="phone ? 396 : 320" :transition-name="''" popup-class-name="picklist" @dropdown-visible-change="toggled" @select="again" />
  </span>
</template>

<style scoped>
.picking {
  display: inline-block;
  min-width: 0;
  max-width: 100%;
}
.picking :deep(.ant-select) {
  width: 100%;
}
/* A fact that is picked looks like a fact that is typed. */
.picking :deep(.ant-select-borderless) {
  font: 600 16px/1.25 var(--labels);
  text-align: right;
}
.picking :deep(.ant-select-borderless .ant-select-selector) {
  height: 24px;
  padding: 0 18px 0 0 !important;
}
.picking :deep(.ant-select-borderless .ant-select-selection-item) {
  line-height: 24px !important;
  padding: 0 !important;
}
.picking :deep(.ant-select-borderless .ant-select-arrow) {
  right: 0;
}
.picking :deep(.ant-select-focused .ant-select-selector) {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}
@media (max-width: 720px) {
  .picking :deep(.ant-select .ant-select-selector) {
    min-height: 44px;
    align-items: center;
  }
}
</style>
