<script setup lang="ts">
import Alert from 'ant-design-vue/es/alert'

/** Something said across the page: what went wrong (`bad`), or what is worth knowing. */
defineProps<{ bad?: boolean; closable?: boolean }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <Alert class="note" :type="bad ? 'error' : 'warning'" :role="bad ? 'alert' : 'status'">
    <template #message><slot /></template>
    <template v-if="closable" #action><button class="textlink" type="button" @click="emit('close')">Close</button></template>
  </Alert>
</template>

<style scoped>
.note {
  margin-bottom: 12px;
  align-items: flex-start;
  background: var(--card);
  border-color: var(--brass-line);
}
.note.ant-alert-error {
  background: var(--over-soft);
  border-color: var(--over);
}
.note :deep(.ant-alert-message) {
  color: var(--ink);
}
</style>
