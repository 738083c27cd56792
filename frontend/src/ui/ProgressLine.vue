<script setup lang="ts">
/** How far a long computation is. */
defineProps<{ done: number; of: number; label: string }>()
</script>

<template>
  <p class="progress mute" role="status">
    <progress :value="done" :max="of" :aria-label="label" />
    {{ label }}: {{ done }} of {{ of }}
  </p>
</template>

<style scoped>
.progress {
  padding: 8px 14px;
  font-size: 13px;
  border-top: 1px solid var(--line);
}
progress {
  display: block;
  width: 100%;
  height: 4px;
  accent-color: var(--brass-line);
  margin-bottom: 4px;
}
</style>
