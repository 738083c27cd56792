<script setup lang="ts">
import { computed } from 'vue'
import { boxOf, onPage, path, type Installed, type Point, type Projection } from '../logic'

/** The pan as installed from its right, from behind and from above, one scale: oil standing, pickup, the old pan dashed. */
const props = defineProps<{ data: Installed; narrow: boolean }>()
const GAP = 40
interface Laid { id: string; label: string; at: Point; pan: Point[][]; oil: Point[][]; edges: Point[][]; old: Point[][]; mouth: Point; box: ReturnType<typeof boxOf> }
function lay(id: string, label: string, data: Projection, mirrored: boolean): Laid {
  const on = (runs: readonly (readonly (readonly number[])[])[]) => runs.map((run) => onPage(run, mirrored))
  const [edges, old] = [on(data.edges), on(data.old)]
  return { id, label, at: [0, 0], pan: on(data.pan), oil: on(data.oil), edges, old, mouth: onPage([data.pickup], mirrored)[0] ?? [0, 0], box: boxOf([...edges, ...old], 8) }
}
/** Side above plan, end beside the side; on a phone one under another. */
const laid = computed((): Laid[] => {
  const { side, end, plan } = props.data
  if (!side || !end || !plan) return []
  const [a, b, c] = [lay('side', 'from its right, machine’s front →', side, false), lay('end', 'from behind', end, true), lay('plan', 'from above, machine’s front ↑', plan, true)]
  const put = (view: Laid, x: number, y: number): Laid => ({ ...view, at: [x - view.box.left, y - view.box.top] })
  const beside = !props.narrow
  const row = Math.max(a.box.height, beside ? b.box.height : 0)
  return [
    put(a, 0, row - a.box.height),
    put(b, beside ? Math.max(a.box.width, c.box.width) + GAP : 0, beside ? row - b.box.height : row + GAP),
    put(c, 0, row + GAP + (beside ? 0 : b.box.height + GAP)),
  ]
})
const size = computed(() => ({
  width: Math.max(...laid.value.map((v) => v.at[0] + v.box.left + v.box.width)),
  height: Math.max(...laid.value.map((v) => v.at[1] + v.box.top + v.box.height)) + GAP,
}))
const unit = computed(() => size.value.width / (props.narrow ? 330 : 470))
const open = (points: Point[]) => `M${points.map((p) => p.map((v) => v.toFixed(1)).join(' ')).join('L')}`
</script>

<template>
  <svg v-if="laid.length" class="three" :viewBox="`-4 -4 ${size.width + 8} ${size.height + 8}`" role="img" aria-label="The pan as installed from its right, from behind and from above, its oil standing" :style="{ '--u': `${unit}px` }">
    <g v-for="v in laid" :key="v.id" :transform="`translate(${v.at[0]} ${v.at[1]})`">
      <g class="metal"><path v-for="(p, i) in v.pan" :key="i" :d="path(p)" /></g>
      <g class="oil"><path v-for="(p, i) in v.oil" :key="i" :d="path(p)" /></g>
      <path v-for="(p, i) in v.old" :key="`o${i}`" :d="open(p)" class="old" />
      <path v-for="(p, i) in v.edges" :key="`e${i}`" :d="open(p)" class="edge" />
      <circle :cx="v.mouth[0]" :cy="v.mouth[1]" :r="5 * unit" class="mouth"><title>Pickup’s mouth</title></circle>
      <text :x="v.box.left + 8" :y="v.box.top + v.box.height + 14 * unit">{{ v.label }}</text>
    </g>
  </svg>
</template>

<style scoped>
.three {
  display: block;
  width: 100%;
  max-height: 460px;
  background: var(--glass);
  border-radius: 3px;
}
.metal {
  fill: var(--card);
  stroke: var(--card);
  stroke-width: calc(0.8 * var(--u));
}
.oil {
  fill: var(--oil);
  stroke: var(--oil);
  stroke-width: calc(0.8 * var(--u));
  opacity: 0.55;
}
.edge,
.old {
  fill: none;
  stroke: var(--ink);
  stroke-width: calc(1.5 * var(--u));
}
.old {
  stroke: var(--mute);
  stroke-dasharray: calc(6 * var(--u)) calc(4 * var(--u));
}
.mouth {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: calc(2.2 * var(--u));
}
text {
  font: 500 calc(13 * var(--u)) var(--labels);
  fill: var(--mute);
}
</style>
