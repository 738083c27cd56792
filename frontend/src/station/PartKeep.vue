<script setup lang="ts">
import { toRef } from 'vue'
import { useVocabulary } from '../stores/vocabulary'
import { optionsOf } from '../ui/options'
import Pick from '../ui/Pick.vue'
import type { Part } from './parts'
import { usePart } from './usePart'

/** How a part stands with its builder: its name, whether one has it, where it is from, what it costs. */
const props = defineProps<{ part: Part }>()
const words = useVocabulary()
const { called, keep, rename, trouble } = usePart(toRef(props, 'part'))
const typed = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <div class="keep">
    <label><span class="mute">Called</span><input class="input" type="text" maxlength="60" :value="part.name ?? ''" :placeholder="called" :aria-label="`Name of ${called}`" @change="rename(typed($event))" /></label>
    <label><span class="mute">State</span><Pick :label="`State of ${called}`" :options="[{ value: '', label: 'not said' }, ...optionsOf(words.words?.states)]" :model-value="part.keep?.state ?? ''" @update:model-value="(v) => keep('state', String(v ?? ''))" /></label>
    <label><span class="mute">From</span><input class="input" type="text" maxlength="80" :value="part.keep?.from ?? ''" :aria-label="`Where ${called} is from`" @change="keep('from', typed($event))" /></label>
    <label><span class="mute">Price</span><input class="input" type="text" maxlength="20" inputmode="decimal" :value="part.keep?.price ?? ''" :aria-label="`Price of ${called}`" @change="keep('price', typed($event))" /></label>
    <label class="wide"><span class="mute">Note</span><input class="input" type="text" maxlength="400" :value="part.keep?.note ?? ''" :aria-label="`Note on ${called}`" @change="keep('note', typed($event))" /></label>
    <p v-if="trouble" class="over wide" role="alert">{{ trouble }}</p>
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
.keep label,
.keep label > :last-child {
  display: block;
  width: 100%;
}
.wide {
  grid-column: 1 / -1;
}
</style>
