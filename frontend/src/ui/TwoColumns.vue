<script setup lang="ts">
/** Two columns of cards beside each other, one under the other on a phone; `share`: of the left one. */
withDefaults(defineProps<{ share?: string }>(), { share: '1fr' })
</script>

<template>
  <div class="two" :style="{ '--left': share }"><div class="column"><slot name="left" /></div><div class="column"><slot name="right" /></div></div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, var(--left)) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
.column {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
@media (max-width: 820px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
