<script setup lang="ts">
import { computed } from 'vue'
import { boxOf, onPage, path, type Point, type Projection } from '../logic'

/** The pan as installed in one view, to scale: its oil standing, its pickup, the old pan dashed beside it. */
const props = defineProps<{ data: Projection; label: string; mirrored: boolean; unit: number; arrow: 'left' | 'right' | 'up' | 'away' }>()
const on = (points: readonly (readonly number[])[]) => onPage(points, props.mirrored)
const edges = computed(() => props.data.edges.map(on))
const old = computed(() => props.data.old.map(on))
const box = computed(() => boxOf([...edges.value, ...old.value], 16 * props.unit))
const mouth = computed<Point>(() => on([props.data.pickup])[0] ?? [0, 0])
const open = (points: Point[]) => `M${points.map((p) => p.map((v) => v.toFixed(1)).join(' ')).join('L')}`
/** Which way the machine's front lies, in the lower corner. */
const foot = computed(() => ({ x: box.value.left + box.value.width - 12 * props.unit, y: box.value.top + box.value.height + 10 * props.unit }))
const WORDS = { right: 'machine’s front →', left: '← machine’s front', up: 'machine’s front ↑', away: 'seen from behind' }
</script>

<template>
  <svg class="projection" :viewBox="`${box.left} ${box.top} ${box.width} ${box.height + 18 * unit}`" role="img" :aria-label="label" :style="{ '--u': `${unit}px` }">
    <g class="metal"><path v-for="(p, i) in data.pan" :key="i" :d="path(on(p))" /></g>
    <g class="oil"><path v-for="(p, i) in data.oil" :key="i" :d="path(on(p))" /></g>
    <path v-for="(p, i) in old" :key="`o${i}`" :d="open(p)" class="old" />
    <path v-for="(p, i) in edges" :key="`e${i}`" :d="open(p)" class="edge" />
    <circle :cx="mouth[0]" :cy="mouth[1]" :r="6 * unit" class="mouth"><title>Pickup’s mouth</title></circle>
    <text :x="foot.x" :y="foot.y" text-anchor="end">{{ WORDS[arrow] }}</text>
  </svg>
</template>

<style scoped>
.projection {
  display: block;
  width: 100%;
  background: var(--glass);
  border-radius: 3px;
}
.metal {
  fill: var(--card);
  opacity: 0.8;
}
.oil {
  fill: var(--oil);
  opacity: 0.55;
}
.edge,
.old {
  fill: none;
  stroke: var(--ink);
  stroke-width: calc(1.6 * var(--u));
}
.old {
  stroke: var(--mute);
  stroke-dasharray: calc(6 * var(--u)) calc(4 * var(--u));
}
.mouth {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: calc(2.4 * var(--u));
}
text {
  font: 500 calc(13 * var(--u)) var(--labels);
  fill: var(--mute);
}
</style>
