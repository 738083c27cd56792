<script setup lang="ts">
import { computed } from 'vue'
import { ends, share } from '../logic'

/** A reading beside what is foretold of it: the thin line by the facts alone, the thick one after the fit, the ring what was read. */
const props = defineProps<{ value: number | null; before: { likely: number; low: number; high: number } | null; after: { likely: number; low: number; high: number } | null; label: string; out?: boolean; left?: boolean }>()
const scale = computed(() => ends([props.value, props.before?.low, props.before?.high, props.after?.low, props.after?.high]))
const at = (v: number) => 100 * share(v, scale.value)
const span = (band: { low: number; high: number }) => ({ left: `${at(band.low)}%`, width: `${Math.max(at(band.high) - at(band.low), 0.8)}%` })
</script>

<template>
  <span class="glass" role="img" :aria-label="label">
    <span v-if="before" class="before" :style="span(before)" />
    <span v-if="after" class="after" :style="span(after)" />
    <span v-if="value !== null" class="read" :class="{ out, left }" :style="{ left: `${at(value)}%` }" />
  </span>
</template>

<style scoped>
.glass {
  position: relative;
  display: block;
  height: 20px;
  background: var(--glass);
  border: 1px solid var(--line);
  border-radius: 3px;
}
.before {
  position: absolute;
  top: 4px;
  border-top: 2px solid var(--mute);
}
.after {
  position: absolute;
  top: 9px;
  height: 6px;
  background: var(--cooling);
  border-radius: 2px;
  opacity: 0.85;
}
.read {
  position: absolute;
  top: 3px;
  width: 12px;
  height: 12px;
  margin-left: -6px;
  border: 2.5px solid var(--ink);
  border-radius: 50%;
  background: var(--card);
}
.left {
  border-color: var(--mute);
  border-style: dotted;
}
.out {
  border-color: var(--over);
  border-style: dashed;
}
</style>
