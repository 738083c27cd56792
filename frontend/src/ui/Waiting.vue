<script setup lang="ts">
import Skeleton from 'ant-design-vue/es/skeleton'

/** What is on its way, in the room it will take. */
withDefaults(defineProps<{ label?: string; rows?: number; height?: number }>(), { label: 'On its way', rows: 4, height: undefined })
</script>

<template>
  <div class="waiting" role="status" :aria-label="label" :style="{ minHeight: height ? `${height}px` : undefined }">
    <Skeleton :title="false" :paragraph="{ rows: height ? Math.max(1, Math.floor(height / 34)) : rows }" />
  </div>
</template>

<style scoped>
.waiting {
  padding: 8px 0;
  overflow: hidden;
}
</style>
