<script setup lang="ts">
import Steps from 'ant-design-vue/es/steps'
import { computed } from 'vue'

/** Things done one after another. */
const props = defineProps<{ steps: string[]; label: string }>()
const items = computed(() => props.steps.map((title) => ({ title, status: 'wait' as const })))
</script>

<template>
  <div class="order" role="group" :aria-label="label"><Steps direction="vertical" size="small" :items="items" :current="-1" /></div>
</template>

<style scoped>
.order :deep(.ant-steps-item-title) {
  color: var(--ink) !important;
  font-size: 15px;
  line-height: 24px;
}
.order :deep(.ant-steps-item-content) {
  min-height: 34px !important;
}
</style>
