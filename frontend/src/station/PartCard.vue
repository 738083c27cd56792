<script setup lang="ts">
import Tag from 'ant-design-vue/es/tag'
import { toRef } from 'vue'
import Fold from '../ui/Fold.vue'
import MenuButton from '../ui/MenuButton.vue'
import FactRow from './FactRow.vue'
import PartKeep from './PartKeep.vue'
import type { Part } from './parts'
import { usePart } from './usePart'

/** A part as a card: in a line what it is; opened, its facts with how each is known, its state, where from, price. */
const props = defineProps<{ part: Part; number?: number }>()
const open = defineModel<boolean>('open', { default: false })
const { called, base, fields, said, state, acts, act, trouble } = usePart(toRef(props, 'part'))
</script>

<template>
  <article class="part" :data-kept="part.id">
    <Fold v-model:open="open" :style="{ '--extra': state ? '190px' : '84px' }">
      <template #title>
        <span class="line"><span v-if="number" class="figure">{{ number }}</span> <b v-if="!number || part.name">{{ called }}</b> <span :class="number ? '' : 'mute'">{{ said || 'nothing stated' }}</span></span>
      </template>
      <template #extra>
        <span class="extra">
          <Tag v-if="state">{{ state }}</Tag><span v-if="part.keep?.price" class="figure">{{ part.keep.price }}</span>
          <slot name="handle" />
          <MenuButton quiet :label="`Do with ${called}${number ? ` ${number}` : ''}`" :acts="acts" @act="act" />
        </span>
      </template>
      <div class="facts"><FactRow v-for="field in fields" :key="field.name" :path="`${base}.${field.name}`" :field="field" /></div>
      <PartKeep :part="part" />
    </Fold>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </article>
</template>

<style scoped>
.part + .part {
  border-top: 1px solid var(--line);
}
.extra {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.facts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(250px, 100%), 1fr));
  gap: 0 28px;
}
.line {
  overflow-wrap: anywhere;
}
</style>
