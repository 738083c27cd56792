<script setup lang="ts">
import { ref, shallowRef, type Component } from 'vue'
import type { Act } from './acts'

/** A button with a menu whose code is only read when a hand comes near: for what stands on the first page. */
defineProps<{ label: string; acts: Act[] }>()
const emit = defineEmits<{ act: [id: string]; opening: [] }>()
const Menu = shallowRef<Component | null>(null)
const asked = ref(false)

async function near(): Promise<void> {
  Menu.value ??= (await import('./MenuButton.vue')).default
}
async function press(): Promise<void> {
  asked.value = true
  emit('opening')
  await near()
}
</script>

<template>
  <component :is="Menu" v-if="Menu && asked" quiet started :label="label" :acts="acts" @opening="emit('opening')" @act="(id: string) => emit('act', id)"><slot /></component>
  <button v-else class="late" type="button" aria-haspopup="menu" aria-expanded="false" :aria-label="label" @pointerenter="near" @focus="near" @click="press"><slot /></button>
</template>

<style scoped>
.late {
  background: none;
  border: 0;
  padding: 2px 6px;
  cursor: pointer;
  font-weight: 600;
}
</style>
