<script setup lang="ts">
import Drawer from 'ant-design-vue/es/drawer'
import { nextTick, useTemplateRef, watch } from 'vue'
import { holdFocus, nameDialog } from './mend'
import { useFocusBack } from './useFocusBack'

/** What slides in from a side and keeps the page beside it in sight. */
const props = withDefaults(defineProps<{ title: string; side?: 'left' | 'right'; width?: number; bare?: boolean }>(), { side: 'right', width: 560 })
const open = defineModel<boolean>('open', { required: true })
const inside = useTemplateRef<HTMLElement>('inside')
useFocusBack(open)

watch(open, async (shown) => {
  if (!shown) return
  await nextTick()
  await nextTick()
  nameDialog(inside.value, props.title)
}, { immediate: true })
</script>

<template>
  <Drawer v-model:open="open" :title="bare ? undefined : title" :closable="!bare" :placement="side" :width="`min(100vw, ${width}px)`" :body-style="bare ? { padding: 0 } : undefined" destroy-on-close>
    <div ref="inside" class="inside" @keydown.tab="holdFocus($event, inside)"><slot /></div>
  </Drawer>
</template>

<style scoped>
.inside {
  min-height: 100%;
}
</style>
