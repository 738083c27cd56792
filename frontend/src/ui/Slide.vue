<script setup lang="ts">
import Slider from 'ant-design-vue/es/slider'
import { computed } from 'vue'

/** A value dragged along a line, said beside it; a way back stands in the slot. */
const props = withDefaults(defineProps<{ label: string; min: number; max: number; step?: number; text: string }>(), { step: 1 })
/** The last step there is. */
const last = computed(() => props.min + props.step * Math.floor((props.max - props.min) / props.step + 1e-9))
const at = defineModel<number>({ required: true })
defineSlots<{ label(): unknown; default(): unknown }>()
const spoken = () => props.text
</script>

<template>
  <div class="slide">
    <slot name="label"><span class="label">{{ label }}</span></slot>
    <Slider v-model:value="at" :min="min" :max="last" :step="step" :tip-formatter="null as never" :aria-label-for-handle="label" :aria-value-text-formatter-for-handle="spoken" />
    <span class="figure">{{ text }}</span>
    <slot />
  </div>
</template>

<style scoped>
.slide {
  display: grid;
  grid-template-columns: minmax(72px, auto) 1fr minmax(56px, auto) auto;
  gap: 0 14px;
  align-items: center;
}
.slide :deep(.ant-slider) {
  margin: 8px 6px;
}
@media (max-width: 720px) {
  .slide {
    grid-template-columns: 1fr auto auto;
  }
  .slide > :first-child {
    grid-column: 1 / -1;
  }
  /* A thumb may land anywhere in 44 px. */
  .slide :deep(.ant-slider) {
    padding: 20px 0;
    height: 44px;
    margin: 0 12px;
  }
  .slide :deep(.ant-slider-rail),
  .slide :deep(.ant-slider-track),
  .slide :deep(.ant-slider-step),
  .slide :deep(.ant-slider-handle) {
    top: 20px;
  }
}
</style>
