<script setup lang="ts">
import { computed } from 'vue'
import type { Check } from '../api/client'
import { useVocabulary } from '../stores/vocabulary'

/** What works and costs: a weight on a line, with what it costs in its own unit; no glass, no brim. */
const props = defineProps<{ check: Check }>()
const words = useVocabulary()
const at = computed(() => `${Math.round(100 * Math.min(props.check.fill, 1))}%`)
/** What is lost is said in its own unit; what only wants care has no figure of its own. */
const worth = computed(() => (props.check.demand === null || props.check.unit !== 'power' ? '' : words.show(props.check.demand, props.check.unit)))
</script>

<template>
  <span class="cost" role="img" :aria-label="`${check.name}: ${worth || check.sentence}`">
    <span class="line"><span class="weight" :style="{ left: at }" /></span>
    <span class="figure">{{ worth }}</span>
  </span>
</template>

<style scoped>
.cost {
  display: grid;
  grid-template-columns: minmax(60px, 1fr) auto;
  gap: 10px;
  align-items: center;
}
.line {
  position: relative;
  height: 12px;
  border-bottom: 1.5px dotted var(--mute);
  margin: 0 6px 5px;
}
.weight {
  position: absolute;
  bottom: -1px;
  width: 12px;
  height: 10px;
  margin-left: -6px;
  background: var(--brass-line);
  clip-path: polygon(22% 0, 78% 0, 100% 100%, 0 100%);
}
</style>
