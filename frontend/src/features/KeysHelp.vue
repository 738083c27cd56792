<script setup lang="ts">
import { STATIONS } from './stations'

const KEYS = [
  ['0', 'bench'],
  [`1 … ${STATIONS.length}`, 'the stations in the order of the rail'],
  [', and .', 'the station before, the next one'],
  ['f', 'find a fact, check or step by name'],
  ['u', 'the next units'],
  ['w', 'the working'],
  ['i', 'what could stand there instead'],
  ['e', 'how the focused fact is known'],
  ['z and Z', 'undo, redo'],
  ['?', 'this list'],
] as const
</script>

<template>
  <dl>
    <template v-for="[key, text] in KEYS" :key="key">
      <dt class="figure">{{ key }}</dt>
      <dd>{{ text }}</dd>
    </template>
  </dl>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 80px 1fr;
  gap: 6px;
}
dd {
  margin: 0;
}
</style>
