<script setup lang="ts">
import { computed } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { arrow, ENDS, frame, LONGEST, outline, path, seen, together, type End, type Loads } from '../logic'

/** One view of the unit on its mounts: a box of its size, dashed where the case moves it; an arrow for each load. */
const props = defineProps<{ data: Loads; end: End; unit: number }>()
const BRIEF: Record<End, string> = { side: 'front to the left', end: 'from the flywheel' }
const words = useVocabulary()
const box = computed(() => frame(props.end, props.data, LONGEST))
type Pair = [number, number]
const body = computed(() => path(outline((props.end === 'side' ? props.data.side : props.data.end) as Pair[])))
const ghost = computed(() => path(outline((props.end === 'side' ? props.data.side_moved : props.data.end_moved) as Pair[])))
const groups = computed(() => together(props.end, props.data.mounts))
const most = computed(() => Math.max(...props.data.mounts.map((m) => Math.abs(m.load)), ...groups.value.map((g) => Math.abs(g.load)), 1))
const mounts = computed(() => groups.value.map((g) => ({ ...g, to: arrow(g.load, most.value, LONGEST) })))
const balance = computed(() => seen(props.end, props.data.balance as [number, number, number]))
const axis = computed(() => seen(props.end, props.data.axis as [number, number, number]))
const crank = computed(() => seen(props.end, [0, 0, 0]))
/** The line it turns about is a point only where one looks along it. */
const along = computed(() => props.data.nods === (props.end === 'side'))
</script>

<template>
  <svg class="stand" :viewBox="`${box.left} ${box.top} ${box.width} ${box.height}`" role="img" :style="{ '--u': `${unit}px` }" :aria-label="`${ENDS[end]}: loads on the mounts`">
    <text :x="box.left + 5 * unit" :y="box.top + 15 * unit">{{ BRIEF[end] }}</text>
    <path :d="body" class="body" />
    <path :d="ghost" class="ghost" />
    <line v-if="end === 'side'" :x1="box.left" :x2="box.left + box.width" :y1="crank[1]" :y2="crank[1]" class="crank" />
    <path v-else :d="`M${crank[0] - 6 * unit} ${crank[1]}h${12 * unit}m${-6 * unit} ${-6 * unit}v${12 * unit}`" class="crank" />
    <circle :cx="balance[0]" :cy="balance[1]" :r="6 * unit" class="balance"><title>Balance point</title></circle>
    <path v-if="along" :d="`M${axis[0] - 8 * unit} ${axis[1] - 8 * unit}l${16 * unit} ${16 * unit}m0 ${-16 * unit}l${-16 * unit} ${16 * unit}`" class="axis"><title>It turns about here</title></path>
    <g v-for="m in mounts" :key="m.ids.join()" class="mount" :class="{ up: m.to < 0 }">
      <rect :x="m.at[0] - 7 * unit" :y="m.at[1] - 5 * unit" :width="14 * unit" :height="10 * unit" :rx="3 * unit" />
      <line v-if="Math.abs(m.to) > 4" :x1="m.at[0]" :x2="m.at[0]" :y1="m.at[1]" :y2="m.at[1] + m.to" />
      <path v-if="Math.abs(m.to) > 12" :d="`M${m.at[0] - 4 * unit} ${m.at[1] + m.to - Math.sign(m.to) * 7 * unit}l${4 * unit} ${Math.sign(m.to) * 7 * unit}l${4 * unit} ${-Math.sign(m.to) * 7 * unit}`" />
      <text :x="m.at[0]" :y="m.at[1] + (m.to < 0 ? m.to - 6 * unit : m.to + 14 * unit)" text-anchor="middle">{{ words.show(Math.abs(m.load), 'force') }}{{ m.to < 0 ? ' up' : '' }}</text>
    </g>
  </svg>
</template>

<style scoped>
.stand {
  display: block;
  width: 100%;
  background: var(--glass);
  border-radius: 3px;
}
.body {
  fill: var(--mounts);
  fill-opacity: 0.16;
  stroke: var(--mounts);
  stroke-width: calc(1.2 * var(--u));
}
.ghost {
  fill: none;
  stroke: var(--ink);
  stroke-width: var(--u);
  stroke-dasharray: calc(4 * var(--u)) calc(3 * var(--u));
}
.crank {
  fill: none;
  stroke: var(--mute);
  stroke-width: calc(0.8 * var(--u));
  stroke-dasharray: calc(9 * var(--u)) calc(3 * var(--u)) calc(2 * var(--u)) calc(3 * var(--u));
}
.balance {
  fill: none;
  stroke: var(--ink);
  stroke-width: calc(1.4 * var(--u));
}
.axis {
  fill: none;
  stroke: var(--ink);
  stroke-width: calc(1.4 * var(--u));
}
.mount rect {
  fill: var(--ink);
  fill-opacity: 0.75;
}
.mount line,
.mount path {
  fill: none;
  stroke: var(--mounts);
  stroke-width: calc(2.2 * var(--u));
}
.mount.up line,
.mount.up path {
  stroke: var(--over);
}
text {
  font: 500 calc(12.5 * var(--u)) var(--labels);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--glass);
  stroke-width: calc(3 * var(--u));
}
</style>
