<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { moveWords } from '../logic'
import { useMoved } from '../useMoved'
import { regions } from '../window'
import FiveTapes from './FiveTapes.vue'

/** Where it would go in: mm to spare over fore-aft and up-down, each region named by what stops it there. */
const props = defineProps<{ best?: number[] | null }>()
const words = useVocabulary()
const { moved, by, back } = useMoved()
const { data, waiting } = useInstrument('fit/window', ref({}))
const W = 520
const H = 300
const x = (ahead: number) => W / 2 - (ahead / (data.value?.ahead.at(-1) ?? 1)) * (W / 2)
const y = (up: number) => H / 2 - (up / (data.value?.up.at(-1) ?? 1)) * (H / 2)
const cells = computed(() => {
  const d = data.value
  if (!d) return []
  const [w, h] = [W / d.ahead.length, H / d.up.length]
  const most = Math.max(...d.slack.flat(), 0.001)
  return d.slack.flatMap((row, r) => row.map((s, c) => ({ key: r * d.ahead.length + c, x: W - (c + 1) * w, y: H - (r + 1) * h, w, h, out: s < 0, shade: s < 0 ? 0 : 0.15 + (0.75 * s) / most })))
})
const named = computed(() => (data.value ? regions(data.value, W, H) : []))
const ticks = computed(() => [-0.03, -0.02, -0.01, 0, 0.01, 0.02, 0.03].filter((v) => Math.abs(v) <= (data.value?.up.at(-1) ?? 0)))
const tip = ref('')
function at(event: PointerEvent): { ahead: number; up: number } {
  const svg = event.currentTarget as SVGSVGElement
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()?.inverse())
  const d = data.value
  return { ahead: ((W / 2 - p.x) / (W / 2)) * (d?.ahead.at(-1) ?? 0), up: ((H / 2 - p.y) / (H / 2)) * (d?.up.at(-1) ?? 0) }
}
function look(event: PointerEvent): void {
  const d = data.value
  if (!d) return
  const { ahead, up } = at(event)
  const [c, r] = [Math.round(((ahead / (d.ahead.at(-1) ?? 1) + 1) / 2) * (d.ahead.length - 1)), Math.round(((up / (d.up.at(-1) ?? 1) + 1) / 2) * (d.up.length - 1))]
  const slack = d.slack[r]?.[c]
  if (slack === undefined) return
  tip.value = `${moveWords({ ahead, left: 0, up, pitch: 0, yaw: 0, roll: 0 }, words.show) || 'where it lies'}: ${slack < 0 ? `${words.show(-slack, 'size')} short` : `${words.show(slack, 'size')} to spare`}, ${d.pairs[d.binds[r]?.[c] ?? 0]?.toLowerCase()}`
}
function hold(event: PointerEvent): void {
  const { ahead, up } = at(event)
  back()
  by({ ahead: Math.round(1000 * ahead) / 1000, up: Math.round(1000 * up) / 1000 })
}
const best = computed(() => props.best ?? null)
</script>

<template>
  <section class="card pad" data-window>
    <div class="cardhead"><h2 class="label">Where it would go in</h2><span v-if="data" class="mute">{{ Math.round(100 * data.share) }} % of this window holds</span></div>
    <template v-if="data">
      <div class="drawing" tabindex="0"><svg :viewBox="`-46 -22 ${W + 60} ${H + 62}`" role="img" :aria-label="`Room over fore-aft and up-down: ${Math.round(100 * data.share)} % of it holds`">
        <defs><pattern id="fit-out" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)"><rect width="7" height="7" class="outback" /><line x1="0" y1="0" x2="0" y2="7" class="outline" /></pattern></defs>
        <svg x="0" y="0" :width="W" :height="H" :viewBox="`0 0 ${W} ${H}`" class="map" @pointermove="look" @pointerleave="tip = ''" @pointerdown="hold">
          <rect width="100%" height="100%" fill="url(#fit-out)" />
          <template v-for="c in cells" :key="c.key"><rect v-if="!c.out" :x="c.x" :y="c.y" :width="c.w + 0.5" :height="c.h + 0.5" class="in" :style="{ '--shade': c.shade }" /></template>
          <path v-for="(r, i) in named" :key="i" :d="r.edge" class="edge" />
        </svg>
        <text v-for="r in named.filter((n) => n.name)" :key="r.name" :x="r.x" :y="r.y" text-anchor="middle" class="name">{{ r.name.toLowerCase() }}</text>
        <g v-for="t in ticks" :key="t"><text :x="x(t)" :y="H + 18" text-anchor="middle">{{ words.number(Math.abs(t), 'size') }}</text><text x="-6" :y="y(t) + 4" text-anchor="end">{{ words.number(Math.abs(t), 'size') }}</text></g>
        <text x="0" :y="H + 36">forward</text><text :x="W" :y="H + 36" text-anchor="end">back, {{ words.unit('size') }}</text>
        <text x="-6" y="-8" text-anchor="end">up</text><text x="-6" :y="H + 18" text-anchor="end">down</text>
        <circle :cx="x(0)" :cy="y(0)" r="7" class="ring"><title>where it lies</title></circle>
        <circle v-if="moved.ahead || moved.up" :cx="x(moved.ahead)" :cy="y(moved.up)" r="4" class="held"><title>where it is held</title></circle>
        <path v-if="best" :d="`M${x(best[0] ?? 0)} ${y(best[2] ?? 0) - 9}l9 9l-9 9l-9 -9z`" class="ring"><title>the best place found</title></path>
      </svg></div>
      <p class="mute" aria-live="polite">{{ tip || 'The ring is where it lies, the diamond the best place once it is sought. Hatched: does not go in there, and what stops it. A press holds the engine there.' }}</p>
    </template>
    <FiveTapes v-else :waiting="waiting" />
  </section>
</template>

<style scoped>
.drawing {
  --lettering: 14px;
  --least: 440px;
}
.map {
  cursor: crosshair;
}
.outback {
  fill: var(--over-soft);
}
.outline {
  stroke: var(--over);
  stroke-width: 1.6;
  opacity: 0.55;
}
.in {
  fill: color-mix(in oklab, var(--fit) calc(100% * var(--shade)), var(--card));
}
.edge {
  fill: none;
  stroke: var(--card);
  stroke-width: 1.6;
}
.name {
  font-weight: 600;
  fill: var(--ink) !important;
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: 4;
  pointer-events: none;
}
.ring {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.held {
  fill: var(--brass-line);
  stroke: var(--card);
  stroke-width: 1.5;
}
</style>
