<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { percent } from '../../../ui/format'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { backPath, feedPath, layout, overPath, words, WIDTH, type Circuit, type Placed } from '../logic'

/** Every part at its place with what stands in it; a click lands on its fact, the fullest part is marked. */
const props = defineProps<{ circuit: Circuit }>()
const router = useRouter()
const build = useBuild()
const vocabulary = useVocabulary()
const laid = computed(() => layout(props.circuit))
const placed = computed(() => [laid.value.tank, ...laid.value.rows.flat(), laid.value.injectors, ...laid.value.back].filter((p): p is Placed => p !== null))
const RUNS = new Set(['suction', 'pot_hose', 'lift_line', 'line', 'return'])
/** A rail with injectors under it has its pressure beside its name. */
const hung = (p: Placed) => p.part.id === 'end' && laid.value.injectors !== null
const lines = (p: Placed) => (hung(p) ? [] : words(p.part, vocabulary.show))
const name = (p: Placed) => (hung(p) ? `${p.part.label} ${vocabulary.show(p.part.pressure, 'pressure_gauge')}` : p.part.label)
const open = (p: Placed) => void router.push({ name: 'fuel', params: { id: build.build?.id }, hash: `#${p.part.path}` })
const over = (p: Placed) => (p.part.fill ?? 0) > 1
const marked = (p: Placed) => p.part.id === props.circuit.limits
const LEVEL = 46
const BRIM = 0.82
// How far a part's own drawing reaches up and down from the pipe.
const UP: Record<string, number> = { tank: 38, pot: 22, pump: 17, lift: 17, injectors: 0, regulator: 16 }
const DOWN: Record<string, number> = { tank: 40, pot: 22, pump: 17, lift: 17, injectors: 14, regulator: 16, filter: 14, end: 14, water: 17 }
const up = (p: Placed) => (p.part.id === 'injectors' ? 0 : (UP[p.part.id] ?? 13) + 6)
const down = (p: Placed) => (DOWN[p.part.id] ?? 10) + 15
// A tank's words stand in it, an injector's under its name.
const row = (p: Placed, i: number) => (p.part.id === 'tank' ? p.y + 16 : p.y + down(p) + 15 * i)
const foot = (p: Placed) => row(p, lines(p).length - 1) + 5
</script>

<template>
  <div class="drawing" tabindex="0" role="region" aria-label="Fuel circuit"><svg :viewBox="`0 0 ${WIDTH} ${laid.height}`" role="group" aria-label="Fuel circuit: tank to engine and back">
    <path :d="feedPath(laid)" class="pipe" />
    <path :d="backPath(laid, circuit.rail_kind === 'dead_headed')" class="pipe back" />
    <path :d="overPath(laid)" class="pipe back" />
    <g v-for="p in placed" :key="p.part.id" class="part" :class="{ marked: marked(p), over: over(p) }" :data-part="p.part.id" role="link" tabindex="0" @click="open(p)" @keydown.enter.prevent="open(p)">
      <rect :x="p.x - (p.part.id === 'tank' ? 44 : 66)" :y="p.y - up(p) - 12" :width="p.part.id === 'tank' ? 88 : 132" :height="foot(p) - p.y + up(p) + 22" class="hit" />
      <template v-if="p.part.id === 'tank'">
        <rect :x="p.x - 38" :y="p.y - 38" width="76" height="78" class="box" />
        <path :d="`M${p.x - 38} ${p.y - 12}h76v52h-76z`" class="fuel" />
      </template>
      <template v-else-if="p.part.id === 'pump' || p.part.id === 'lift'">
        <circle :cx="p.x" :cy="p.y" r="17" class="box" />
        <path :d="`M${p.x - 7} ${p.y - 9}L${p.x + 11} ${p.y}L${p.x - 7} ${p.y + 9}z`" class="ink" />
      </template>
      <template v-else-if="p.part.id === 'filter'">
        <rect :x="p.x - 21" :y="p.y - 13" width="42" height="26" rx="4" class="box" />
        <path :d="`M${p.x} ${p.y - 13}v26`" class="dash" />
      </template>
      <template v-else-if="p.part.id === 'water'">
        <path :d="`M${p.x - 16} ${p.y - 12}h32v16a16 12 0 0 1 -32 0z`" class="box" />
      </template>
      <template v-else-if="p.part.id === 'pot'">
        <rect :x="p.x - 20" :y="p.y - 22" width="40" height="44" class="box" />
        <path :d="`M${p.x - 20} ${p.y - 14}h40v36h-40z`" class="fuel" />
      </template>
      <path v-else-if="p.part.id === 'regulator'" :d="`M${p.x} ${p.y - 16}l18 16l-18 16l-18 -16z`" class="box" />
      <template v-else-if="p.part.id === 'end'">
        <rect :x="p.x - 40" :y="p.y - 13" width="80" height="26" class="box" />
      </template>
      <template v-else-if="p.part.id === 'injectors'">
        <path v-for="i in 4" :key="i" :d="`M${p.x - 50 + 20 * i} ${p.y - 19}v16`" class="jet" />
      </template>
      <path v-else-if="RUNS.has(p.part.id)" :d="`M${p.x - 20} ${p.y}h40`" class="run" />
      <text :x="p.x" :y="p.part.id === 'injectors' ? p.y + 14 : p.y - up(p)" text-anchor="middle" class="strong">{{ name(p) }}</text>
      <text v-for="(said, i) in lines(p)" :key="i" :x="p.x" :y="row(p, i)" text-anchor="middle">{{ said }}</text>
      <g v-if="p.part.fill != null" :transform="`translate(${p.x - LEVEL / 2 - 13} ${foot(p)})`">
        <rect :width="LEVEL" height="6" class="glass" />
        <rect :width="LEVEL * Math.min(p.part.fill * BRIM, 1)" height="6" class="level" />
        <path :d="`M${LEVEL * BRIM} -2v10`" class="brim" />
        <text :x="LEVEL + 4" y="8" class="share">{{ percent(p.part.fill) }}</text>
      </g>
    </g>
  </svg></div>
</template>

<style scoped>
.drawing {
  --lettering: 14px;
  --least: 470px;
}
.pipe {
  fill: none;
  stroke: var(--fuel);
  stroke-width: 3.5;
  stroke-linejoin: round;
}
.back {
  stroke-width: 2;
  stroke-dasharray: 7 5;
}
.part {
  cursor: pointer;
}
.part:focus-visible {
  outline: none;
}
.part:focus-visible .hit {
  stroke: var(--focus);
  stroke-width: 2;
}
.hit {
  fill: transparent;
}
.part:hover .strong {
  text-decoration: underline;
}
.box {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.fuel {
  fill: var(--fuel);
  opacity: 0.22;
}
.ink {
  fill: var(--fuel);
}
.dash {
  stroke: var(--ink);
  stroke-dasharray: 3 3;
}
.run {
  stroke: var(--fuel);
  stroke-width: 7;
}
.jet {
  stroke: var(--ink);
  stroke-width: 3.5;
}
.glass {
  fill: var(--glass);
  stroke: var(--line);
}
.level {
  fill: var(--fuel);
}
.drawing .share {
  font-size: 12px;
}
.brim {
  stroke: var(--ink);
  stroke-width: 2;
}
.over .level {
  fill: var(--over);
}
.marked .box {
  stroke: var(--brass);
  stroke-width: 3.5;
}
.marked .run,
.marked .jet {
  stroke: var(--brass);
}
.marked.over .box,
.marked.over .run,
.marked.over .jet {
  stroke: var(--over);
}
.over .strong {
  fill: var(--over);
}
</style>
