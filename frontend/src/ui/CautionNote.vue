<script setup lang="ts">
defineProps<{ text: string }>()
</script>

<template>
  <p class="caution" role="note"><strong>Mind:</strong> {{ text }}</p>
</template>

<style scoped>
.caution {
  margin: 6px 0 2px;
  padding: 5px 8px;
  border-left: 3px solid var(--brass-line);
  background: var(--glass);
  font-size: 13px;
}
</style>
