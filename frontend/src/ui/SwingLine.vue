<script setup lang="ts">
import { computed } from 'vue'
import { swing } from './swing'

/** How unevenly a line of joints turns, through one turn; its colour is the station's. */
const props = defineProps<{ ratio: readonly number[]; least: number; colour: string; said: (most: number) => string; label: (most: number) => string }>()
const W = 600
const H = 70
const drawn = computed(() => swing(props.ratio, W, H, props.least))
</script>

<template>
  <figure>
    <figcaption class="mute">{{ said(drawn.most) }}</figcaption>
    <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="label(drawn.most)">
      <line x1="0" :x2="W" :y1="H / 2" :y2="H / 2" class="axis" />
      <path :d="drawn.path" class="swing" :style="{ stroke: `var(--${colour})` }" />
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 10px 0 0;
}
svg {
  display: block;
  width: 100%;
}
.axis {
  stroke: var(--line);
}
.swing {
  fill: none;
  stroke-width: 2;
}
</style>
