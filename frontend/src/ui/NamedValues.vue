<script setup lang="ts">
import Descriptions from 'ant-design-vue/es/descriptions'

/** What is said of one thing, a line each. */
defineProps<{ rows: { label: string; shown: string; over?: boolean }[] }>()
</script>

<template>
  <Descriptions class="named" :column="1" size="small" :colon="false">
    <Descriptions.Item v-for="row in rows" :key="row.label" :label="row.label"><span class="figure" :class="{ over: row.over }">{{ row.shown }}</span></Descriptions.Item>
  </Descriptions>
</template>

<style scoped>
.named :deep(.ant-descriptions-row > td) {
  padding: 3px 0 !important;
}
.named :deep(.ant-descriptions-item-label) {
  color: var(--ink);
  flex: 1;
}
.named :deep(.ant-descriptions-item-content) {
  flex: none;
}
</style>
