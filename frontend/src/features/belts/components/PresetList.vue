<script setup lang="ts">
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { presetRows, type Presets } from '../logic'

/** Usual layouts, to the size of the crank pulley: guesses, each to be taped over. */
const props = defineProps<{ presets: Presets }>()
const words = useVocabulary()
const { send, trouble } = useSending()
async function begin(id: string): Promise<void> {
  const found = props.presets.presets.find((p) => p.id === id)
  if (!found) return
  const section = line('belts.first.section', found.section)
  await send(line('belts.pulleys', presetRows(found), { action: 'list', evidence: 'guess' }), ...(found.section === 'ribbed' ? [] : [section]))
}
</script>

<template>
  <section class="card pad">
    <h2 class="label">Begin from a usual layout</h2>
    <p class="mute">To a crank pulley of {{ words.show(presets.crank, 'size') }}. Every place and size is a guess until you tape it.</p>
    <p class="list"><button v-for="p in presets.presets" :key="p.id" class="button" type="button" @click="begin(p.id)">{{ p.name }}</button></p>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.list {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
