<script setup lang="ts">
import Dropdown from 'ant-design-vue/es/dropdown'
import Menu from 'ant-design-vue/es/menu'
import { nextTick, onMounted, ref, useId } from 'vue'
import type { Act } from './acts'

/** A button that opens to things to do. */
const props = defineProps<{ label: string; acts: Act[]; quiet?: boolean; started?: boolean }>()
const emit = defineEmits<{ act: [id: string]; opening: [] }>()
const open = ref(false)
const id = useId()

/** Opened by a key, the first of it is at hand. */
async function opened(now: boolean): Promise<void> {
  if (now) emit('opening')
  open.value = now
  if (!now) return
  await nextTick()
  setTimeout(() => document.querySelector<HTMLElement>(`[data-menu="${id}"] [role=menuitem]`)?.focus(), 30)
}
// Pressed before it was there.
onMounted(() => props.started && void opened(true))

function picked(info: { key: string | number }): void {
  open.value = false
  emit('act', String(info.key))
}
</script>

<template>
  <Dropdown :open="open" :trigger="['click']" :transition-name="''" @update:open="opened">
    <button :class="quiet ? 'more' : 'button'" type="button" aria-haspopup="menu" :aria-expanded="open" :aria-label="quiet ? label : undefined"><slot>{{ quiet ? '⋯' : label }}</slot></button>
    <template #overlay>
      <Menu :data-menu="id" :aria-label="label" :selectable="false" @click="picked" @keydown.esc="open = false">
        <Menu.Item v-for="act in acts" :key="act.id" :danger="act.danger" :disabled="act.off">{{ act.label }}</Menu.Item>
      </Menu>
    </template>
  </Dropdown>
</template>

<style scoped>
.more {
  background: none;
  border: 0;
  padding: 2px 6px;
  cursor: pointer;
  font-weight: 600;
}
@media (max-width: 720px) {
  .more {
    min-width: 44px;
    min-height: 44px;
  }
}
</style>
