<script setup lang="ts">
import { ref } from 'vue'

/** A line that puts one more on a list: what it is called, and the press. `add` says whether it was taken; then the line is free again. */
const props = defineProps<{ label: string; like: string; button: string; add: (name: string) => Promise<boolean> }>()
const name = ref('')
async function press(): Promise<void> {
  if (name.value.trim() && (await props.add(name.value.trim()))) name.value = ''
}
</script>

<template>
  <form class="add noprint" @submit.prevent="press"><input v-model="name" class="input" maxlength="80" :aria-label="label" :placeholder="like" /><button class="button" type="submit">{{ button }}</button></form>
</template>

<style scoped>
.add {
  display: flex;
  gap: 8px;
  margin-top: 10px;
  max-width: 460px;
}
.add .button {
  white-space: nowrap;
}
</style>
