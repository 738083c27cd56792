<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { frameOf, hullOf, keyed, pathOf, ways, type Point, type WetView } from '../logic'

/** Side elevation to scale, bow on the left: the sea, the gas's way, what is dragged by hand or moved by keys. */
const props = defineProps<{ data: WetView }>()
const emit = defineEmits<{ by: [id: 'riser' | 'high' | 'silencer', aft: number, up: number] }>()
const words = useVocabulary()
const svg = useTemplateRef<SVGSVGElement>('svg')
const frame = computed(() => frameOf(props.data))
const wide = computed(() => frame.value.right - frame.value.left)
const tall = computed(() => frame.value.high - frame.value.low)
const unit = computed(() => wide.value / 500)
const box = computed(() => `${frame.value.left} ${-frame.value.high} ${wide.value} ${tall.value}`)
const gas = computed(() => ways(props.data))
const bore = computed(() => Math.max(props.data.bore ?? 0.05, 8 * unit.value))
const hull = computed(() => (props.data.silencer ? hullOf(props.data.silencer.corners.map(([x = 0, y = 0]): Point => [x, y])) : []))
const level = computed(() => {
  const s = props.data.silencer
  if (!s || s.stands === null || props.data.heel !== 0 || props.data.trim !== 0) return null
  const xs = s.corners.map(([x = 0]) => x)
  const floor = Math.min(...s.corners.map(([, y = 0]) => y))
  return { x: Math.min(...xs), width: Math.max(...xs) - Math.min(...xs), y: -(floor + s.stands), height: s.stands }
})
/** Where each word stands beside its point. */
const BESIDE: Record<string, { x: number; y: number; anchor: 'start' | 'middle' | 'end' }> = {
  manifold: { x: -12, y: 5, anchor: 'end' }, riser: { x: 0, y: -14, anchor: 'middle' }, injection: { x: 13, y: 5, anchor: 'start' },
  high: { x: 0, y: -16, anchor: 'middle' }, outlet: { x: 10, y: 20, anchor: 'middle' }, siphon: { x: -12, y: 5, anchor: 'end' },
}
const spots = computed(() => props.data.spots.map((s) => ({ ...s, at: BESIDE[s.id] ?? { x: 10, y: 0, anchor: 'start' as const }, wet: s.now < 0, held: s.id === 'riser' || s.id === 'high' })))
const h = (v: number) => words.show(v, 'height')
const middle = computed((): Point => {
  const xs = hull.value.map((p) => p[0])
  const ys = hull.value.map((p) => p[1])
  return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2]
})
const loop = computed(() => {
  const top = props.data.spots.find((s) => s.id === 'siphon')
  const into = props.data.spots.find((s) => s.id === 'injection')
  return top && into ? `M${into.aft - 0.14 * wide.value} ${-Math.min(into.now, 0) + 0.05}V${-top.now}H${into.aft}V${-into.now}` : ''
})

const held = ref<'riser' | 'high' | 'silencer' | null>(null)
const last = ref<Point | null>(null)
function place(event: PointerEvent): Point {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.value?.getScreenCTM()?.inverse())
  return [at.x, -at.y]
}
function grab(id: 'riser' | 'high' | 'silencer', event: PointerEvent): void {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  held.value = id
  last.value = place(event)
}
function drag(event: PointerEvent): void {
  if (!held.value || !last.value) return
  const now = place(event)
  emit('by', held.value, now[0] - last.value[0], now[1] - last.value[1])
  last.value = now
}
function drop(): void {
  held.value = null
  last.value = null
}
function key(id: 'riser' | 'high' | 'silencer', event: KeyboardEvent): void {
  const step = keyed(event.key, event.shiftKey)
  if (!step) return
  event.preventDefault()
  event.stopPropagation()
  emit('by', id, step[0], step[1])
}
</script>

<template>
  <div class="drawing">
    <svg ref="svg" class="elevation" :viewBox="box" role="group" aria-label="Side view of the wet exhaust over the sea, to scale, bow on the left" :style="{ '--u': `${unit}px` }">
      <rect :x="frame.left" y="0" :width="wide" :height="Math.max(-frame.low, 0)" class="sea" />
      <line :x1="frame.left" :x2="frame.right" y1="0" y2="0" class="surface" />
      <text :x="frame.left + 8 * unit" :y="18 * unit">the sea, laden</text>
      <text :x="frame.left + 8 * unit" :y="-frame.high + 17 * unit">bow</text>
      <text :x="frame.right - 8 * unit" :y="-frame.high + 17 * unit" text-anchor="end">stern</text>
      <path v-if="loop" :d="loop" class="raw" />
      <path v-if="gas.second.length > 1" :d="pathOf(gas.second)" class="hose" :stroke-width="bore" />
      <path v-if="gas.first.length > 1" :d="pathOf(gas.first)" class="hot" :stroke-width="bore" />
      <g
        v-if="data.silencer && hull.length" class="grip" tabindex="0" role="slider" aria-label="Lift silencer" :aria-valuenow="Math.round(1000 * (middle[1] ?? 0))"
        :aria-valuetext="`its lip ${h(data.silencer.lip[1] ?? 0)} over the sea`" @pointerdown="grab('silencer', $event)" @pointermove="drag" @pointerup="drop" @pointercancel="drop" @keydown="key('silencer', $event)"
      >
        <path :d="`${pathOf(hull)}Z`" class="box" :class="{ held: held === 'silencer' }" />
        <rect v-if="level" :x="level.x" :y="level.y" :width="level.width" :height="level.height" class="held-water" />
        <circle :cx="data.silencer.lip[0]" :cy="-(data.silencer.lip[1] ?? 0)" :r="4 * unit" class="lip" />
        <text :x="middle[0]" :y="-middle[1] + 5 * unit" text-anchor="middle">silencer</text>
      </g>
      <g v-for="s in spots" :key="s.id">
        <g
          v-if="s.held" class="grip" tabindex="0" role="slider" :aria-label="s.name" :aria-valuenow="Math.round(1000 * s.now)" :aria-valuetext="`${h(s.now)} over the sea`"
          @pointerdown="grab(s.id as 'riser', $event)" @pointermove="drag" @pointerup="drop" @pointercancel="drop" @keydown="key(s.id as 'riser', $event)"
        >
          <circle :cx="s.aft" :cy="-s.now" :r="22 * unit" class="reach" />
          <circle :cx="s.aft" :cy="-s.now" :r="9 * unit" class="mark" :class="{ over: s.wet, held: held === s.id }" />
        </g>
        <circle v-else :cx="s.aft" :cy="-s.now" :r="6 * unit" class="mark fixed" :class="{ over: s.wet }" />
        <text :x="s.aft + s.at.x * unit" :y="-s.now + s.at.y * unit" :text-anchor="s.at.anchor" :class="{ over: s.wet }">{{ s.name }} <tspan class="number">{{ h(s.now) }}</tspan></text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.elevation {
  display: block;
  width: 100%;
  max-height: 420px;
  background: var(--glass);
  border-radius: 3px;
}
.sea {
  fill: color-mix(in oklab, var(--boat) 22%, var(--glass));
}
.surface {
  stroke: var(--boat);
  stroke-width: calc(2 * var(--u));
}
.hose {
  fill: none;
  stroke: color-mix(in oklab, var(--boat) 55%, var(--card));
  stroke-linejoin: round;
  stroke-linecap: butt;
}
.hot {
  fill: none;
  stroke: color-mix(in oklab, var(--exhaust) 60%, var(--card));
  stroke-linejoin: round;
}
.raw {
  fill: none;
  stroke: var(--boat);
  stroke-width: calc(3 * var(--u));
  stroke-dasharray: calc(8 * var(--u)) calc(4 * var(--u));
}
.box {
  fill: color-mix(in oklab, var(--line) 70%, var(--card));
  stroke: var(--ink);
  stroke-width: calc(1.6 * var(--u));
  fill-opacity: 0.85;
}
.box.held {
  stroke: var(--brass-line);
  stroke-width: calc(3 * var(--u));
}
.held-water {
  fill: color-mix(in oklab, var(--boat) 45%, transparent);
}
.lip {
  fill: var(--ink);
}
.reach {
  fill: transparent;
}
.grip {
  cursor: grab;
  touch-action: none;
}
/* A ring round what is drawn in metres would be metres wide: the mark itself shows the focus. */
.grip:focus,
.grip:focus-visible {
  outline: none;
}
.grip:focus-visible .mark,
.grip:focus-visible .box {
  stroke: var(--focus);
  stroke-width: calc(4 * var(--u));
}
.grip:active {
  cursor: grabbing;
}
.mark {
  fill: var(--card);
  stroke: var(--brass-line);
  stroke-width: calc(3 * var(--u));
}
.mark.fixed {
  stroke: var(--ink);
  stroke-width: calc(2 * var(--u));
}
.mark.held {
  fill: var(--brass-line);
}
.mark.over {
  fill: var(--over);
  stroke: var(--over);
}
text {
  font: 500 calc(14 * var(--u)) var(--labels);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: calc(3.5 * var(--u));
  pointer-events: none;
}
text.over {
  fill: var(--over);
}
.number {
  font-weight: 600;
}
</style>
