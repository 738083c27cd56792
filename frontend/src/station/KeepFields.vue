<script setup lang="ts">
import { useVocabulary } from '../stores/vocabulary'
import { line } from '../stores/build'
import { optionsOf } from '../ui/options'
import Pick from '../ui/Pick.vue'
import { typed } from '../ui/typed'
import { useSending } from './useSending'

/** How a thing stands with its builder: state, from whom, price, when it comes, a note. `path`: where that is kept. */
export interface Kept { state?: string | null; from?: string | null; price?: string | null; lead?: string | null; due?: string | null; note?: string | null }
const props = defineProps<{ path: string; name: string; kept: Kept }>()
const words = useVocabulary()
const { send, trouble } = useSending()
const keep = (field: keyof Kept, text: string) => send(line(`${props.path}.${field}`, text.trim() || null))
</script>

<template>
  <label><span class="mute">State</span><Pick :label="`State of ${name}`" :options="[{ value: '', label: 'not said' }, ...optionsOf(words.words?.states)]" :model-value="kept.state ?? ''" @update:model-value="(v) => keep('state', String(v ?? ''))" /></label>
  <label><span class="mute">From</span><input class="input" type="text" maxlength="80" :value="kept.from ?? ''" :aria-label="`Where ${name} is from`" @change="keep('from', typed($event))" /></label>
  <label><span class="mute">Price</span><input class="input" type="text" maxlength="20" inputmode="decimal" placeholder="120, or 100-150" :value="kept.price ?? ''" :aria-label="`Price of ${name}`" @change="keep('price', typed($event))" /></label>
  <label><span class="mute">Lead time</span><input class="input" type="text" maxlength="40" placeholder="10-14 days" :value="kept.lead ?? ''" :aria-label="`Lead time of ${name}`" @change="keep('lead', typed($event))" /></label>
  <label><span class="mute">Due on</span><input class="input" type="date" :value="kept.due ?? ''" :aria-label="`Day ${name} is due`" @change="keep('due', typed($event))" /></label>
  <label><span class="mute">Note</span><input class="input" type="text" maxlength="400" :value="kept.note ?? ''" :aria-label="`Note on ${name}`" @change="keep('note', typed($event))" /></label>
  <p v-if="trouble" class="over wide" role="alert">{{ trouble }}</p>
</template>

<style scoped>
label,
label > :last-child {
  display: block;
  width: 100%;
}
.wide {
  grid-column: 1 / -1;
}
</style>
