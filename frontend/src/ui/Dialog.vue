<script setup lang="ts">
import Modal from 'ant-design-vue/es/modal'
import { useFocusBack } from './useFocusBack'

/** Something asked or shown over the page, under its own name; Esc or a press beside it shuts it. */
withDefaults(defineProps<{ title: string; width?: number; fixed?: boolean }>(), { width: 520 })
const open = defineModel<boolean>('open', { required: true })
useFocusBack(open)
const slots = defineSlots<{ default(): unknown; footer?(): unknown }>()
</script>

<template>
  <Modal v-model:open="open" :title="title" :footer="slots.footer ? undefined : null" :width="width" :closable="!fixed" :mask-closable="!fixed" :keyboard="!fixed" destroy-on-close>
    <slot />
    <template v-if="slots.footer" #footer><slot name="footer" /></template>
  </Modal>
</template>
