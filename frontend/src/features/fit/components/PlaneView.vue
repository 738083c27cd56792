<script setup lang="ts">
import { computed, ref } from 'vue'
import { dragged, frame, keyed, outline, path, PLANES, seen, shown, type Box, type Gap, type Lie, type Moved, type Plane } from '../logic'

/** One view to scale: what stands, the engine in its place, dashed where it rocks to; dragged by hand or moved by keys. */
const props = defineProps<{ data: Lie; plane: Plane; labelled?: boolean; gap?: Gap | null }>()
const emit = defineEmits<{ by: [more: Partial<Moved>] }>()
const box = computed<Box>(() => frame(props.plane, props.data))
const unit = computed(() => box.value.width / 520)
const drawn = computed(() => shown(props.plane, props.data).map((t) => ({ ...t, d: path(outline(props.plane, t)) })))
const stands = computed(() => drawn.value.filter((t) => t.moves !== 'unit' && t.moves !== 'hung'))
const engine = computed(() => drawn.value.filter((t) => t.moves === 'unit' || t.moves === 'hung'))
const ghost = computed(() => props.data.ghost.map((t) => path(outline(props.plane, t))))
const crank = computed(() => props.data.crank.map((p) => seen(props.plane, p as [number, number, number])))
const pivot = computed(() => seen(props.plane, props.data.pivot as [number, number, number]))
/** Said of what stands where there is room for it. */
const NAMED: Record<Plane, string[]> = {
  side: ['bonnet', 'bulkhead', 'tunnel', 'member', 'column', 'gearbox', 'beam', 'rear_panel'],
  front: ['bonnet', 'column', 'member', 'rail_left', 'rail_right'],
  plan: ['stack', 'rail_left', 'rail_right', 'column', 'gearbox'],
}
const labels = computed(() => !props.labelled ? [] : props.data.things.filter((t) => NAMED[props.plane].includes(t.id)).map((t) => {
  const b = box.value
  const points = outline(props.plane, t)
  const within = (v: number, low: number, high: number) => Math.min(Math.max(v, low), high)
  const xs = points.map((p) => within(p[0], b.left, b.left + b.width))
  const ys = points.map((p) => within(p[1], b.top, b.top + b.height))
  return { id: t.id, name: t.name, x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 }
}))
const ends = computed(() => (props.gap ? ([seen(props.plane, props.gap.at as [number, number, number]), seen(props.plane, props.gap.other as [number, number, number])] as const) : null))

const last = ref<[number, number] | null>(null)
function place(event: PointerEvent): [number, number] {
  const svg = event.currentTarget as SVGSVGElement
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()?.inverse())
  return [at.x, at.y]
}
function down(event: PointerEvent): void {
  last.value = place(event)
  ;(event.currentTarget as SVGSVGElement).setPointerCapture(event.pointerId)
}
function move(event: PointerEvent): void {
  if (!last.value) return
  const now = place(event)
  emit('by', dragged(props.plane, now[0] - last.value[0], now[1] - last.value[1]))
  last.value = now
}
function key(event: KeyboardEvent): void {
  const more = keyed(props.plane, event.key, event.shiftKey)
  if (!more) return
  event.preventDefault()
  event.stopPropagation()
  emit('by', more)
}
</script>

<template>
  <svg
    class="plane" :viewBox="`${box.left} ${box.top} ${box.width} ${box.height}`" role="img" tabindex="0" :style="{ '--u': `${unit}px` }"
    :aria-label="`${PLANES[plane]}, to scale: drag the engine, or arrow keys, 1 mm, with shift 10; [ and ] turn it`"
    @pointerdown="down" @pointermove="move" @pointerup="last = null" @pointercancel="last = null" @keydown="key"
  >
    <path v-for="t in stands" :key="t.id" :d="t.d" class="stands" :class="[t.moves, t.what]"><title>{{ t.name }}</title></path>
    <path v-for="(d, i) in ghost" :key="i" :d="d" class="ghost" />
    <path v-for="t in engine" :key="t.id" :d="t.d" class="unit" :class="{ belt: t.what === 'belt', off: t.id.endsWith('_off') }"><title>{{ t.name }}</title></path>
    <line v-if="plane !== 'front'" :x1="crank[0]?.[0]" :y1="crank[0]?.[1]" :x2="crank[1]?.[0]" :y2="crank[1]?.[1]" class="crank" />
    <path :d="`M${pivot[0] - 9 * unit} ${pivot[1]}h${18 * unit}m${-9 * unit} ${-9 * unit}v${18 * unit}`" class="pivot"><title>Rocks about here</title></path>
    <text v-for="l in labels" :key="l.id" :x="l.x" :y="l.y + 4 * unit" text-anchor="middle">{{ l.name.toLowerCase() }}</text>
    <g v-if="ends" class="nearest">
      <circle :cx="(ends[0][0] + ends[1][0]) / 2" :cy="(ends[0][1] + ends[1][1]) / 2" :r="17 * unit" />
      <line :x1="ends[0][0]" :y1="ends[0][1]" :x2="ends[1][0]" :y2="ends[1][1]" />
    </g>
  </svg>
</template>

<style scoped>
.plane {
  display: block;
  width: 100%;
  max-height: var(--most, 380px);
  touch-action: none;
  cursor: grab;
  background: var(--glass);
  border-radius: 3px;
}
.plane:active {
  cursor: grabbing;
}
.stands {
  fill: color-mix(in oklab, var(--line) 70%, var(--card));
  stroke: var(--mute);
  stroke-width: var(--u);
  fill-opacity: 0.55;
}
.stands.core {
  fill: var(--cooling);
}
.stands.steering {
  fill: var(--brass-line);
}
.stands.ground {
  fill: var(--line);
}
.unit {
  fill: var(--fit);
  fill-opacity: 0.32;
  stroke: var(--fit);
  stroke-width: calc(1.4 * var(--u));
}
.unit.belt {
  fill-opacity: 0.5;
}
.unit.off {
  fill: none;
  stroke-dasharray: calc(3 * var(--u)) calc(3 * var(--u));
}
.ghost {
  fill: none;
  stroke: var(--ink);
  stroke-width: var(--u);
  stroke-dasharray: calc(4 * var(--u)) calc(3 * var(--u));
  opacity: 0.7;
}
.crank {
  stroke: var(--ink);
  stroke-width: var(--u);
  stroke-dasharray: calc(10 * var(--u)) calc(3 * var(--u)) calc(2 * var(--u)) calc(3 * var(--u));
}
.pivot {
  stroke: var(--ink);
  stroke-width: calc(1.5 * var(--u));
  fill: none;
}
text {
  font: 500 calc(13.5 * var(--u)) var(--labels);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: calc(3.5 * var(--u));
  pointer-events: none;
}
.nearest circle {
  fill: none;
  stroke: var(--brass-line);
  stroke-width: calc(2.5 * var(--u));
}
.nearest line {
  stroke: var(--over);
  stroke-width: calc(2 * var(--u));
}
</style>
