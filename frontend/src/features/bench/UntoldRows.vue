<script setup lang="ts">
import { useVocabulary } from '../../stores/vocabulary'
import type { Untold } from './logic'

/** Bars that decide nothing now: a line a system, opened on demand. */
defineProps<{ rest: Untold[] }>()
const emit = defineEmits<{ open: [system: string] }>()
const words = useVocabulary()
const called = (line: Untold) => line.rows.map((r, i) => (i ? r.label.toLowerCase() : r.label)).filter((name, i, all) => all.indexOf(name) === i).join(', ')
/** Where the first of them gives out; none does within reach of the scale. */
const from = (line: Untold) => {
  const reaches = line.rows.flatMap((r) => (r.reach_w === null ? [] : [r.reach_w]))
  const given = line.rows.some((r) => r.reach_code !== 'unknown')
  return reaches.length ? `from ${words.show(Math.min(...reaches), 'power')}` : given ? 'never in the way' : 'not given'
}
</script>

<template>
  <p v-for="line in rest" :key="line.system" class="untold">
    <button type="button" @click="emit('open', line.system)"><b>{{ words.words?.systems[line.system] ?? line.system }}</b> <span class="mute">{{ called(line) }}: {{ from(line) }}</span> <span aria-hidden="true">▾</span></button>
  </p>
</template>

<style scoped>
.untold {
  margin-top: 4px;
}
button {
  background: none;
  border: 0;
  padding: 2px 0;
  cursor: pointer;
  text-align: left;
}
@media (max-width: 720px) {
  button {
    min-height: 44px;
  }
}
</style>
