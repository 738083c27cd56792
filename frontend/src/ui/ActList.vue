<script setup lang="ts">
/** A list of things named, each with the one thing that is done about it. */
defineProps<{ rows: { key: string; name: string; note?: string }[]; act: string }>()
const emit = defineEmits<{ act: [key: string] }>()
</script>

<template>
  <ul class="acts">
    <li v-for="row in rows" :key="row.key"><span>{{ row.name }}<span v-if="row.note" class="mute">, {{ row.note }}</span></span> <button class="textlink noprint" type="button" :aria-label="`${act}: ${row.name}`" @click="emit('act', row.key)">{{ act }}</button></li>
  </ul>
</template>

<style scoped>
.acts {
  margin: 0 0 8px;
  padding: 0;
  list-style: none;
}
.acts .textlink {
  white-space: nowrap;
}
.acts li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
</style>
