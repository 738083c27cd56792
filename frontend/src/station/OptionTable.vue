<script setup lang="ts">
import type { Schemas } from '../api/client'
import { useVocabulary } from '../stores/vocabulary'

/** Sizes that would serve, side by side, the advised one marked. */
defineProps<{ options: Schemas['OptionOut'][] }>()
const words = useVocabulary()
</script>

<template>
  <table v-if="options.length" class="options">
    <thead>
      <tr><th v-for="value in options[0]?.values" :key="value.label" scope="col">{{ value.label }}</th></tr>
    </thead>
    <tbody>
      <tr v-for="(option, i) in options" :key="i" :class="{ marked: option.marked }">
        <td v-for="value in option.values" :key="value.label" class="figure">{{ words.show(value.value, value.unit) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table.options {
  width: auto;
  border-collapse: collapse;
  margin-top: 6px;
}
.options th,
.options td {
  text-align: right;
  padding: 2px 10px 2px 0;
  border: 0;
  font-size: 13.5px;
}
.options th {
  font: 500 13px var(--labels);
  color: var(--mute);
}
@media (max-width: 720px) {
  .options th,
  .options td {
    padding-right: 6px;
    font-size: 12px;
    white-space: normal;
  }
}
.options .marked td {
  font-weight: 650;
  border-bottom: 2px solid var(--brass-line);
}
</style>
