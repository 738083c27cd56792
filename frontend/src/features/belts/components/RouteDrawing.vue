<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { frame, gripSaid, keyed, path, type Places, type Pulley, type Route } from '../logic'

/** Pulleys and belt from the front; each but the crank dragged by hand or moved by keys. */
const props = defineProps<{ data: Route; places: Places | null; at: number | null }>()
const emit = defineEmits<{ by: [index: number, right: number, up: number]; pick: [index: number] }>()
const words = useVocabulary()
const svg = useTemplateRef<SVGSVGElement>('svg')
/** While a pulley is dragged the frame stands still. */
const kept = ref<ReturnType<typeof frame> | null>(null)
const box = computed(() => kept.value ?? frame(props.data))
const u = computed(() => Math.max(box.value.width, 1.35 * box.value.height) / 560)
const deg = (rad: number) => `${Math.round((rad * 180) / Math.PI)}°`
const cells = computed(() => {
  const p = props.places
  if (!p) return []
  const w = (p.xs[1] ?? 0) - (p.xs[0] ?? 0)
  return p.serves.flatMap((row, r) => {
    const runs: { key: string; x: number; y: number; w: number; h: number }[] = []
    for (let c = 0; c < row.length; c++) {
      if (!row[c]) continue
      let end = c
      while (row[end + 1]) end++
      runs.push({ key: `${r}-${c}`, x: (p.xs[c] ?? 0) - w / 2, y: -(p.ys[r] ?? 0) - w / 2, w: (end - c + 1) * w, h: w })
      c = end
    }
    return runs
  })
})
const line = computed(() => props.places?.line.map(([a, b, c, d]) => `M${a} ${-b}L${c} ${-d}`).join('') ?? '')
const short = (p: Pulley) => ((p.what === 'crank' || drives(p)) && p.margin < props.data.keeps) || (p.what !== 'crank' && (p.speeds.at(-1) ?? 0) > p.most)
const drives = (p: Pulley) => !['crank', 'idler', 'tensioner'].includes(p.what)
/** Words beside a small pulley stand clear of an arm that holds it from above. */
const under = (p: Pulley) => (p.what === 'tensioner' && props.data.arm ? Number(props.data.arm.pivot[1]) > p.up : p.up < 0.03)
const inside = (p: Pulley) => p.radius > 40 * u.value
const ground = computed(() => (props.data.room.ground === null ? null : -props.data.room.ground))
const bonnet = computed(() => (props.data.room.bonnet === null ? null : -props.data.room.bonnet))
const inFrame = (y: number | null) => y !== null && y > box.value.top && y < box.value.top + box.value.height

const held = ref<number | null>(null)
const last = ref<[number, number] | null>(null)
function place(event: PointerEvent): [number, number] {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.value?.getScreenCTM()?.inverse())
  return [at.x, -at.y]
}
function grab(index: number, event: PointerEvent): void {
  emit('pick', index)
  if (props.data.pulleys[index]?.what === 'crank') return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  kept.value = frame(props.data)
  held.value = index
  last.value = place(event)
}
function drag(event: PointerEvent): void {
  if (held.value === null || !last.value) return
  const now = place(event)
  emit('by', held.value, now[0] - last.value[0], now[1] - last.value[1])
  last.value = now
}
function drop(): void {
  kept.value = held.value = last.value = null
}
function key(index: number, event: KeyboardEvent): void {
  const step = keyed(event.key, event.shiftKey)
  if (!step || props.data.pulleys[index]?.what === 'crank') return
  event.preventDefault()
  event.stopPropagation()
  emit('by', index, step[0], step[1])
}
</script>

<template>
  <div class="drawing" tabindex="0">
    <svg ref="svg" class="front" :viewBox="`${box.left} ${box.top} ${box.width} ${box.height}`" role="group" aria-label="Belt and pulleys from the front, to scale" :style="{ '--u': `${u}px` }">
      <rect v-for="c in cells" :key="c.key" :x="c.x" :y="c.y" :width="c.w" :height="c.h" class="may" />
      <template v-if="inFrame(ground)"><line :x1="box.left" :x2="box.left + box.width" :y1="ground!" :y2="ground!" class="edge" /><text :x="box.left + 6 * u" :y="ground! - 5 * u">ground kept</text></template>
      <template v-if="inFrame(bonnet)"><line :x1="box.left" :x2="box.left + box.width" :y1="bonnet!" :y2="bonnet!" class="edge" /><text :x="box.left + 6 * u" :y="bonnet! + 16 * u">bonnet</text></template>
      <path :d="path(data.outline)" class="belt" :class="{ broken: Boolean(data.why) }" />
      <path v-if="line" :d="line" class="owned" />
      <template v-if="data.arm">
        <line :x1="data.arm.pivot[0]" :y1="-(data.arm.pivot[1] ?? 0)" :x2="data.arm.at[0]" :y2="-(data.arm.at[1] ?? 0)" class="arm" />
        <circle :cx="data.arm.pivot[0]" :cy="-(data.arm.pivot[1] ?? 0)" :r="5 * u" class="pivot" />
      </template>
      <g
        v-for="(p, i) in data.pulleys" :key="p.id" class="grip" :class="{ fixed: p.what === 'crank' }" tabindex="0" role="slider" :aria-label="p.name" :aria-valuenow="Math.round(1000 * p.right)"
        :aria-valuetext="`${words.show(p.right, 'length')} right, ${words.show(p.up, 'length')} up, wraps ${deg(p.wrap)}`" @pointerdown="grab(i, $event)" @pointermove="drag" @pointerup="drop" @pointercancel="drop" @keydown="key(i, $event)"
      >
        <circle :cx="p.right" :cy="-p.up" :r="Math.max(p.radius, 22 * u)" class="reach" />
        <circle :cx="p.right" :cy="-p.up" :r="p.radius" class="wheel" :class="{ over: short(p), held: at === i }" />
        <circle :cx="p.right" :cy="-p.up" :r="2.5 * u" class="hub" />
        <g :transform="inside(p) ? `translate(${p.right} ${-p.up})` : `translate(${p.right} ${-p.up + (under(p) ? p.radius + 24 * u : -p.radius - 16 * u)})`">
          <text text-anchor="middle" :y="-8 * u" class="name">{{ p.name }}</text>
          <text v-if="!data.why" text-anchor="middle" :y="(inside(p) ? 19 : 9) * u" :class="{ over: short(p) }">{{ deg(p.wrap) }}{{ p.what === 'crank' || drives(p) ? ` · ${gripSaid(p.margin)}` : '' }}</text>
        </g>
        <path v-if="p.what === 'crank'" :d="`M${p.right - 16 * u} ${-p.up - p.radius + 20 * u}q${16 * u} ${-10 * u} ${32 * u} 0`" class="turn" />
        <path v-if="p.what === 'crank'" :d="`M${p.right + 16 * u} ${-p.up - p.radius + 20 * u}l${-8 * u} ${-1 * u}l${5 * u} ${-7 * u}z`" class="tip" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.front {
  display: block;
  width: 100%;
  max-height: 430px;
  background: var(--glass);
  border-radius: 3px;
}
.belt {
  fill: none;
  stroke: var(--belts);
  stroke-width: calc(6 * var(--u));
  stroke-linejoin: round;
}
.owned {
  fill: none;
  stroke: var(--brass-line);
  stroke-width: calc(2.4 * var(--u));
  pointer-events: none;
}
.may {
  fill: color-mix(in oklab, var(--belts) 22%, var(--glass));
}
.edge {
  stroke: var(--over);
  stroke-width: calc(1.5 * var(--u));
  stroke-dasharray: calc(7 * var(--u)) calc(4 * var(--u));
}
.arm {
  stroke: var(--ink);
  stroke-width: calc(4 * var(--u));
  stroke-linecap: round;
}
.pivot {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: calc(2 * var(--u));
}
.wheel {
  fill: var(--card);
  fill-opacity: 0.82;
  stroke: var(--ink);
  stroke-width: calc(1.6 * var(--u));
}
.wheel.held {
  stroke: var(--brass-line);
  stroke-width: calc(3 * var(--u));
}
.wheel.over {
  stroke: var(--over);
  stroke-width: calc(3 * var(--u));
}
.hub,
.tip {
  fill: var(--ink);
}
.turn {
  fill: none;
  stroke: var(--ink);
  stroke-width: calc(1.6 * var(--u));
}
.reach {
  fill: transparent;
}
.grip {
  cursor: grab;
  touch-action: none;
}
/* A ring round what is drawn in metres would be metres wide: the wheel itself shows the focus. */
.grip:focus,
.grip:focus-visible {
  outline: none;
}
.grip:focus-visible .wheel {
  stroke: var(--focus);
  stroke-width: calc(3.5 * var(--u));
}
.grip.fixed {
  cursor: default;
}
text {
  font: 500 calc(14 * var(--u)) var(--labels);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: calc(3 * var(--u));
  pointer-events: none;
}
.name {
  font-weight: 600;
}
text.over {
  fill: var(--over);
}
</style>
