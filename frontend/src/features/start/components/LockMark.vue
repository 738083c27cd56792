<script setup lang="ts">
/** A lock: shut gates meet in the middle, open ones lie along the banks. */
defineProps<{ open: boolean }>()
</script>

<template>
  <svg class="lock" :class="{ open }" viewBox="0 0 26 26" aria-hidden="true"><path class="bank" d="M2 3H24M2 23H24" /><path v-if="open" class="gate" d="M7 5.5H18M7 20.5H18" /><path v-else class="gate" d="M17 4L8 13L17 22" /></svg>
</template>

<style scoped>
.lock {
  width: 26px;
  height: 26px;
  flex: none;
  background: var(--glass);
  border-radius: 2px;
}
.open {
  background: color-mix(in srgb, var(--holds) 22%, var(--card));
}
.bank {
  stroke: var(--brass-line);
  stroke-width: 1.5;
}
.gate {
  stroke: var(--ink);
  stroke-width: 3;
  fill: none;
}
</style>
