<script setup lang="ts">
import Progress from 'ant-design-vue/es/progress'
import { computed, useTemplateRef, watchPostEffect } from 'vue'
import { nameProgress } from './mend'

/** How far a long computation is, and a way to stop it. */
const props = defineProps<{ done: number; of: number; label: string; stoppable?: boolean }>()
const emit = defineEmits<{ stop: [] }>()
const percent = computed(() => Math.round((100 * props.done) / Math.max(props.of, 1)))
const box = useTemplateRef<HTMLElement>('box')
watchPostEffect(() => nameProgress(box.value, props.label, percent.value))
</script>

<template>
  <div ref="box" class="progress mute">
    <Progress :percent="percent" :show-info="false" size="small" :stroke-width="4" />
    <span role="status">{{ label }}: {{ done }} of {{ of }}</span>
    <button v-if="stoppable" class="textlink" type="button" @click="emit('stop')">Stop</button>
  </div>
</template>

<style scoped>
.progress {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 12px;
  padding: 6px 14px 8px;
  font-size: 13px;
  border-top: 1px solid var(--line);
}
.progress > :first-child {
  grid-column: 1 / -1;
}
.progress :deep(.ant-progress) {
  margin: 0;
  line-height: 1;
}
</style>
