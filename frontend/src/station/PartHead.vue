<script setup lang="ts">
import Tag from 'ant-design-vue/es/tag'
import { computed, ref, toRef } from 'vue'
import MenuButton from '../ui/MenuButton.vue'
import SidePanel from '../ui/SidePanel.vue'
import PartKeep from './PartKeep.vue'
import type { Part } from './parts'
import { usePart } from './usePart'

/** Above the facts of what fills a place: which part it is, how it stands, what can be done with it. */
const props = defineProps<{ part: Part }>()
const { called, state, acts, act, trouble } = usePart(toRef(props, 'part'))
const shown = ref(false)
const all = computed(() => [{ id: 'keep', label: 'Name, state, from, price' }, ...acts.value])
const pick = (id: string) => (id === 'keep' ? (shown.value = true) : void act(id))
</script>

<template>
  <div class="parthead" :data-kept="part.id">
    <span class="label">{{ called }}</span>
    <Tag v-if="state">{{ state }}</Tag><span v-if="part.keep?.price" class="figure">{{ part.keep.price }}</span>
    <MenuButton quiet :label="`Do with ${called}`" :acts="all" @act="pick" />
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    <SidePanel v-model:open="shown" :title="called"><PartKeep :part="part" /></SidePanel>
  </div>
</template>

<style scoped>
.parthead {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  min-height: 26px;
}
.parthead > :nth-last-child(1 of button) {
  margin-left: auto;
}
.label {
  font-size: 12px;
  margin-right: auto;
}
p {
  flex: 1 1 100%;
}
</style>
