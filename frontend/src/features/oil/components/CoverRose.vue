<script setup lang="ts">
import { computed, ref } from 'vue'
import { checkOf, ends } from '../../../station/bands'
import { useBuild } from '../../../stores/build'
import { askedOutline, fromRose, onRose, path, ROSE_G, type TiltedPan, type Point } from '../logic'

/** What stays covered in every direction against what the duty asks; the point is dragged. */
const props = defineProps<{ data: TiltedPan }>()
const emit = defineEmits<{ move: [forward: number, left: number] }>()
const R = 100
const GRAVITY = 9.80665
const MAIN = [0, 0.5, 1, 1.5].map((turn) => turn * Math.PI)
const build = useBuild()
const svg = ref<SVGSVGElement | null>(null)
const dragging = ref(false)
const scale = ([x, y]: Point): Point => [R * x, R * y]
const held = (g: number) => Math.min(g, ROSE_G)
const covered = computed(() => path(props.data.rose.angle.map((a, i) => scale(onRose(held(props.data.rose.covered[i] ?? 0) * Math.cos(a), held(props.data.rose.covered[i] ?? 0) * Math.sin(a))))))
const asked = computed(() => path(askedOutline(props.data.asked).map(scale)))
const point = computed(() => scale(onRose(props.data.forward, props.data.left)))
/** Where 90 of 100 cases are covered to, drawn in the direction that gives out first, if that is this duty's. */
const band = computed(() => {
  const check = checkOf(build.report, 'oil', 'pickup', '')
  const found = ends(check?.capacity_low, check?.capacity_high)
  const g = (check?.capacity ?? 0) / GRAVITY
  const i = props.data.rose.covered.findIndex((c, k) => Math.abs(c - g) < 0.01 * g && MAIN.some((a) => Math.abs(Math.cos(a - (props.data.rose.angle[k] ?? 0)) - 1) < 1e-3))
  if (!found || i < 0) return null
  const a = props.data.rose.angle[i] ?? 0
  const at = (ms2: number): Point => scale(onRose(held(ms2 / GRAVITY) * Math.cos(a), held(ms2 / GRAVITY) * Math.sin(a)))
  return path([at(found[0]), at(found[1])])
})
const bare = computed(() => props.data.head < 0)

function at(event: PointerEvent): void {
  const box = svg.value?.getBoundingClientRect()
  if (!box) return
  const half = Math.min(box.width, box.height) / 2
  const x = ((event.clientX - box.left - box.width / 2) / half) * 1.3
  const y = ((event.clientY - box.top - box.height / 2) / half) * 1.3
  const to = fromRose(x, y)
  emit('move', to.forward, to.left)
}
function grab(event: PointerEvent): void {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  dragging.value = true
  at(event)
}
</script>

<template>
  <svg ref="svg" viewBox="-130 -130 260 260" role="img" aria-label="Covered acceleration in every direction, against what the duty asks" @pointerdown="grab" @pointermove="dragging && at($event)" @pointerup="dragging = false">
    <circle r="100" class="ring" />
    <circle :r="100 / ROSE_G" class="ring" />
    <line x1="-100" x2="100" class="ring" /><line y1="-100" y2="100" class="ring" />
    <path :d="covered" class="covered" />
    <path :d="asked" class="asked" />
    <path v-if="band" :d="band" class="band" />
    <text :x="100 / ROSE_G + 3" y="-4">1 g</text>
    <text y="-108" text-anchor="middle">braking</text>
    <text y="120" text-anchor="middle">pulling away</text>
    <text x="-104" y="-6" text-anchor="start" class="side">left</text>
    <text x="104" y="-6" text-anchor="end" class="side">right</text>
    <circle :cx="point[0]" :cy="point[1]" r="7" :class="['point', { over: bare }]" />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-height: 330px;
  touch-action: none;
  cursor: grab;
}
.ring {
  fill: none;
  stroke: var(--line);
}
.covered {
  fill: var(--oil);
  opacity: 0.42;
}
.band {
  stroke: var(--ink);
  stroke-width: 4;
  opacity: 0.75;
}
.asked {
  fill: none;
  stroke: var(--brass-line);
  stroke-width: 2;
  stroke-dasharray: 5 4;
}
.point {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 3;
}
.point.over {
  stroke: var(--over);
}
text {
  font: 500 12px var(--labels);
  fill: var(--mute);
}
</style>
