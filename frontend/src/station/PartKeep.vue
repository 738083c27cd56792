<script setup lang="ts">
import { toRef } from 'vue'
import { typed } from '../ui/typed'
import KeepFields from './KeepFields.vue'
import type { Part } from './parts'
import PhotoStrip from './PhotoStrip.vue'
import { usePart } from './usePart'

/** How a part stands with its builder: its name, whether one has it, where it is from, what it costs, what it looks like. */
const props = defineProps<{ part: Part }>()
const { called, rename, trouble } = usePart(toRef(props, 'part'))
</script>

<template>
  <div class="keep">
    <label><span class="mute">Called</span><input class="input" type="text" maxlength="60" :value="part.name ?? ''" :placeholder="called" :aria-label="`Name of ${called}`" @change="rename(typed($event))" /></label>
    <KeepFields :path="`parts.${part.id}.keep`" :name="called" :kept="part.keep ?? {}" />
    <p v-if="trouble" class="over wide" role="alert">{{ trouble }}</p>
    <div class="wide"><PhotoStrip :subject="`parts.${part.id}`" :name="called" /></div>
  </div>
</template>

<style scoped>
.keep {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 6px 10px;
  margin-top: 8px;
  font-size: 14px;
}
.keep > label,
.keep > label > :last-child {
  display: block;
  width: 100%;
}
.wide {
  grid-column: 1 / -1;
}
</style>
