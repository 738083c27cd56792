<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { ends } from '../../../station/bands'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { heat, placeOf, places, tube, type PipePiece, type PipeView } from '../logic'

/** The pipe unrolled from flange to tip: width by bore, colour by heat, two banks over each other; below it where the pressure
 * goes. A picked piece has a handle for its length at its end and one for its tube on its top. */
const props = defineProps<{ data: PipeView }>()
const emit = defineEmits<{ length: [metres: number]; tube: [metres: number]; key: [event: KeyboardEvent] }>()
const picked = defineModel<string | null>('picked', { default: null })
const build = useBuild()
const words = useVocabulary()
const WIDTH = 560
const at = computed(() => places(props.data.pieces, WIDTH, 74))
const banked = computed(() => props.data.pieces.some((p) => p.bank))
const widest = computed(() => Math.max(...props.data.pieces.map((p) => Math.max(p.outside, p.body))))
const tall = computed(() => (banked.value ? 15 : 27))
const half = (outside: number) => (tall.value * outside) / widest.value
/** Two banks lie over each other, what is common between them. */
const lane = (piece: PipePiece) => (piece.bank === 'left' ? 42 : piece.bank === 'right' ? 82 : banked.value ? 62 : 58)
/** A maker's figure is always drawn; the end of all exhausts only where it is near, since up to it back pressure only costs. */
const limited = computed(() => props.data.makers || props.data.back_pressure > 0.7 * props.data.limit)
const most = computed(() => Math.max(props.data.back_pressure, limited.value ? props.data.limit : 0, band.value?.[1] ?? 0, 1) * 1.12)
const y = (pascal: number) => 262 - (108 * pascal) / most.value
const run = (bank: string) => props.data.pieces.map((p, i) => ({ p, i })).filter(({ p }) => !p.bank || p.bank === bank)
const profile = (bank: string) => run(bank).map(({ p, i }) => `L${at.value[i]?.[0]} ${y(p.up)}L${at.value[i]?.[1]} ${y(p.down)}`).join('').replace('L', 'M')
/** Said where it changes. */
const bores = computed(() => props.data.pieces.map((p) => `${p.share === 0.5 && !p.bank ? '2 × ' : ''}${words.show(p.outside, 'size')}`).map((said, i, all) => (said === all[i - 1] ? '' : said)))
const wide = (i: number) => (at.value[i]?.[1] ?? 0) - (at.value[i]?.[0] ?? 0)
const middle = (i: number) => ((at.value[i]?.[0] ?? 0) + (at.value[i]?.[1] ?? 0)) / 2
/** Back pressure at the flange in 90 of 100 cases, of the duty drawn. */
const band = computed(() => {
  const check = build.report?.systems.exhaust?.checks.find((c) => c.id === 'back_pressure' && c.demand !== null && Math.abs(c.demand - props.data.back_pressure) < 1e-3 * Math.abs(props.data.back_pressure))
  return ends(check?.demand_low, check?.demand_high)
})
const over = computed(() => props.data.back_pressure > props.data.limit)
const hangers = computed(() => props.data.hangers.map((h) => placeOf(props.data.pieces, at.value, h)))

const svg = useTemplateRef<SVGSVGElement>('svg')
const held = ref<{ what: 'length' | 'tube'; id: string; x: number; y: number; to: number } | null>(null)
function where(event: PointerEvent): DOMPoint {
  const matrix = svg.value?.getScreenCTM()?.inverse()
  return matrix ? new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix) : new DOMPoint(0, 0)
}
function grab(what: 'length' | 'tube', piece: PipePiece, event: PointerEvent): void {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  const p = where(event)
  held.value = { what, id: piece.id, x: p.x, y: p.y, to: what === 'length' ? piece.end - piece.start : piece.outside }
}
function drag(event: PointerEvent): void {
  const h = held.value
  const i = props.data.pieces.findIndex((q) => q.id === h?.id)
  const piece = props.data.pieces[i]
  if (!h || !piece) return
  const p = where(event)
  const length = piece.end - piece.start
  const to = h.what === 'length' ? Math.max(length + ((p.x - h.x) * length) / Math.max(wide(i), 1), 0.01) : tube(props.data.tubes, piece.outside + ((h.y - p.y) * widest.value) / tall.value)
  held.value = { ...h, to }
}
function drop(): void {
  const h = held.value
  held.value = null
  if (!h) return
  if (h.what === 'length') emit('length', h.to)
  else emit('tube', h.to)
}
const pick = (piece: PipePiece) => piece.id && (picked.value = picked.value === piece.id ? null : piece.id)
const heldSaid = computed(() => (held.value ? words.show(held.value.to, 'length') : ''))
</script>

<template>
  <div class="drawing" tabindex="0"><svg ref="svg" viewBox="-6 -20 640 318" role="group" :aria-label="`Exhaust from flange to tip: ${words.show(data.back_pressure, 'pressure_difference')} at the flange`" @pointermove="drag" @pointerup="drop">
    <rect :x="at[data.worst]?.[0]" y="146" :width="wide(data.worst)" height="116" class="band" />
    <g v-for="(piece, i) in data.pieces" :key="i">
      <rect v-if="piece.body > piece.height * 1.01" :x="(at[i]?.[0] ?? 0) + 4" :y="lane(piece) - half(piece.body)" :width="Math.max(wide(i) - 8, 2)" :height="2 * half(piece.body)" rx="3" class="body" />
      <rect
        :x="at[i]?.[0]" :y="lane(piece) - half(piece.height)" :width="wide(i)" :height="2 * half(piece.height)" class="pipe" :class="[piece.covering, { picked: piece.id && piece.id === picked, can: piece.id }]"
        :style="{ '--heat': heat(0.5 * (piece.warm + piece.cool)) }" :tabindex="piece.id ? 0 : undefined" :role="piece.id ? 'button' : undefined" :aria-pressed="piece.id ? piece.id === picked : undefined" :aria-label="`${i + 1} ${piece.name}`"
        @click="pick(piece)" @keydown.enter="pick(piece)" @keydown.space.prevent="pick(piece)" @keydown="piece.id === picked && emit('key', $event)"
      />
      <line v-if="piece.oval" :x1="(at[i]?.[0] ?? 0) + 3" :x2="(at[i]?.[1] ?? 0) - 3" :y1="lane(piece)" :y2="lane(piece)" class="flat" />
      <template v-if="!banked && wide(i) > 34">
        <text v-if="bores[i]" :x="(at[i]?.[0] ?? 0) + 3" y="22" class="strong">{{ bores[i] }}</text>
        <text v-if="wide(i) > 60" :x="(at[i]?.[0] ?? 0) + 3" :y="i % 2 ? -6 : 8">{{ i + 1 }} {{ piece.name }}{{ piece.covering === 'bare' ? '' : `, ${piece.covering}` }}</text>
        <text v-else :x="(at[i]?.[0] ?? 0) + 3" y="8">{{ i + 1 }}</text>
        <text v-if="wide(i) > 46" :x="(at[i]?.[0] ?? 0) + 3" y="108">{{ words.show(piece.warm, 'temperature') }}</text>
        <text v-if="wide(i) > 46" :x="(at[i]?.[0] ?? 0) + 3" y="122" class="speed">{{ words.show(piece.speed, 'speed_m_s') }}</text>
      </template>
      <text v-if="banked && wide(i) > 60" :x="(at[i]?.[0] ?? 0) + 3" :y="piece.bank === 'right' ? 112 : piece.bank === 'left' ? 20 : i % 2 ? 32 : 8">{{ piece.name }}{{ piece.bank ? `, ${piece.bank}` : '' }}</text>
      <text v-if="wide(i) > 40" :x="middle(i)" :y="piece.bank === 'right' ? 292 : 278" text-anchor="middle" :class="{ strong: i === data.worst }">{{ words.show(piece.up - piece.down, 'pressure_difference') }}</text>
    </g>
    <g v-for="(piece, i) in data.pieces" :key="`g${i}`">
      <template v-if="piece.id && piece.id === picked">
        <circle :cx="at[i]?.[1]" :cy="lane(piece)" r="8" class="grip" role="slider" :aria-label="`Length of piece ${i + 1}`" :aria-valuenow="Math.round(1000 * (piece.end - piece.start))" @pointerdown.stop="grab('length', piece, $event)" />
        <circle :cx="middle(i)" :cy="lane(piece) - half(piece.height)" r="8" class="grip" role="slider" :aria-label="`Tube of piece ${i + 1}`" :aria-valuenow="Math.round(1000 * piece.outside)" @pointerdown.stop="grab('tube', piece, $event)" />
      </template>
    </g>
    <text :x="WIDTH + 4" y="108">{{ words.show(data.tip, 'temperature') }}</text>
    <text v-if="heldSaid" x="560" y="136" text-anchor="end" class="strong">{{ heldSaid }}</text>
    <path v-for="(h, i) in hangers" :key="`h${i}`" :d="`M${h} 128l5 8h-10z`" class="hanger" />
    <line x1="0" :x2="WIDTH" y1="262" y2="262" class="floor" />
    <template v-if="limited">
      <line x1="0" :x2="WIDTH" :y1="y(data.limit)" :y2="y(data.limit)" class="limit" />
      <text :x="WIDTH" :y="y(data.limit) - 5" text-anchor="end" class="strong">{{ data.makers ? 'the maker allows' : 'past this none serves' }} {{ words.show(data.limit, 'pressure_difference') }}</text>
    </template>
    <path :d="profile('left')" class="pressure" />
    <path v-if="banked" :d="profile('right')" class="pressure other" />
    <path v-if="band" :d="`M-5 ${y(band[0])}h10m-5 0V${y(band[1])}m-5 0h10`" class="whisker" />
    <circle cx="0" :cy="y(data.back_pressure)" r="5" class="ring" :class="{ over }" />
    <text x="10" :y="y(data.back_pressure) - 9" class="strong" :class="{ over }">{{ words.show(data.back_pressure, 'pressure_difference') }} at the flange<template v-if="data.banks.length > 1">; {{ words.show(Math.min(...data.banks), 'pressure_difference') }} the other bank</template></text>
  </svg></div>
</template>

<style scoped>
.drawing {
  --lettering: 13px;
}
svg {
  touch-action: pan-y;
}
.pipe {
  fill: color-mix(in oklab, var(--over) calc(100% * var(--heat)), var(--glass));
  stroke: var(--ink);
}
.pipe.can {
  cursor: pointer;
}
.pipe.wrapped,
.pipe.coated {
  stroke-width: 3;
  stroke-dasharray: 4 3;
}
.pipe.picked,
.pipe:focus-visible {
  stroke: var(--brass-line);
  stroke-width: 3;
}
.body {
  fill: var(--glass);
  stroke: var(--mute);
}
.flat {
  stroke: var(--ink);
  stroke-dasharray: 2 4;
}
.grip {
  fill: var(--card);
  stroke: var(--brass-line);
  stroke-width: 2.5;
  cursor: grab;
  touch-action: none;
}
.hanger {
  fill: var(--mute);
}
.band {
  fill: var(--glass);
}
.floor {
  stroke: var(--line);
}
.limit {
  stroke: var(--ink);
  stroke-width: 2;
}
.pressure {
  fill: none;
  stroke: var(--exhaust);
  stroke-width: 2.5;
  pointer-events: none;
}
.pressure.other {
  stroke-dasharray: 5 4;
}
.whisker {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.ring {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.ring.over {
  stroke: var(--over);
}
</style>
