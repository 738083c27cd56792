<script setup lang="ts">
/** A card that is a list under a heading, each line to the card's edges; `aside`: what stands beside the heading. */
defineProps<{ title: string; aside?: string }>()
</script>

<template>
  <section class="card list"><h2 class="label">{{ title }}<slot name="aside"><span v-if="aside">{{ aside }}</span></slot></h2><slot /></section>
</template>

<style scoped>
.list {
  padding: 12px 0 0;
}
h2 {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 0 14px 8px;
}
h2 span {
  font-weight: 500;
  text-transform: none;
  letter-spacing: 0;
}
.list > :deep(ul),
.list > :deep(ol) {
  margin: 0;
  padding: 0;
}
.list > :deep(ul) > li,
.list > :deep(ol) > li {
  list-style: none;
  border-top: 1px solid var(--line);
}
</style>
