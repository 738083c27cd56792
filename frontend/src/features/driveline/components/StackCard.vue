<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'
import { chainSaid, frame, numbers, off, type Chain } from '../logic'

/** The stack as a section to scale, the block on the left; its chains with how sure they are. */
const words = useVocabulary()
const { send, trouble } = useSending()
const { data, waiting } = useInstrument('driveline/stack', ref({}))
const show = (v: number, kind: string) => words.show(v, kind)
const box = computed(() => (data.value ? frame(data.value.pieces) : { left: 0, wide: 1, high: 0.2 }))
const u = computed(() => box.value.wide / 470)
const named = computed(() => (data.value ? numbers(data.value.pieces, 19 * u.value) : []))
const main = computed(() => data.value?.chains[0])
type Link = Chain['links'][number]
const LINKS: Column<Link>[] = [
  { key: 'name', title: 'Length', head: true, show: (l) => l.name },
  { key: 'sign', title: '', mute: true, show: (l) => (l.sign > 0 ? 'adds' : 'takes off') },
  { key: 'value', title: '', right: true, show: (l) => (l.value === null ? 'to be taped' : show(l.value, 'size')), over: (l) => l.value === null },
]
const wanted = computed(() => {
  const d = data.value
  return d?.spacer == null || !main.value || !off(main.value) || d.spacer < 0 ? null : d.spacer
})
async function put(): Promise<void> {
  if (wanted.value !== null) await send(line('driveline.spacer', `${(1000 * wanted.value).toFixed(1)} mm`, { evidence: 'guess' }))
}
</script>

<template>
  <section class="card pad" data-stack>
    <h2 class="label">{{ data?.automatic ? 'Block to converter' : 'Block to bearing' }}</h2>
    <template v-if="data">
      <p v-if="main" role="status"><strong :class="{ over: off(main) }">{{ chainSaid(main, show) }}</strong></p>
      <div v-if="data.pieces.length" class="drawing" tabindex="0">
        <svg :viewBox="`${box.left} ${-box.high} ${box.wide} ${box.high + 14 * u}`" :style="{ '--u': `${u}px` }" role="img" :aria-label="`Section along the crank, its upper half, its rear to the right: ${data.pieces.map((p) => `${p.name} ${show(p.start, 'size')} to ${show(p.end, 'size')}`).join('; ')}`">
          <rect :x="box.left" :y="-box.high" :width="-box.left" :height="box.high" class="block" />
          <g v-for="p in data.pieces" :key="p.id" :class="['piece', p.id]"><rect :x="p.start" :y="-p.outside" :width="p.end - p.start" :height="p.outside - p.inside" /></g>
          <line :x1="box.left" :x2="box.left + box.wide" y1="0" y2="0" class="axis" />
          <g v-for="l in named" :key="`n${l.piece.id}`">
            <circle :cx="l.x" :cy="-l.y" :r="8.5 * u" class="dot" />
            <text :x="l.x" :y="-l.y + 4.4 * u" text-anchor="middle">{{ l.n }}</text>
          </g>
        </svg>
      </div>
      <ol v-if="named.length" class="names"><li v-for="l in named" :key="l.piece.id"><b>{{ l.n }}</b> {{ l.piece.name }}</li></ol>
      <p v-else class="mute">Nothing is taped yet: block’s face to the crank’s flange, flywheel, clutch, bell and bearing make the drawing.</p>
      <p v-if="wanted !== null" class="row"><span>A spacer of <b>{{ show(wanted, 'size') }}</b> in all, of steel, puts the bearing right; bolts, starter and pilot are judged with it.</span> <button class="button noprint" type="button" @click="put">Try that spacer</button></p>
      <p v-else-if="data.spacer !== null && data.spacer < -5e-4" class="over">No spacer mends it: {{ show(-data.spacer, 'size') }} more of adapter, or a bearing so much shorter.</p>
      <template v-for="chain in data.chains" :key="chain.id">
        <template v-if="chain.links.some((l) => l.value !== null && !['spacer', 'adapter'].includes(l.name))">
          <h3 class="label">{{ chain.name }}</h3>
          <p v-if="chain !== main" :class="{ over: off(chain) }">{{ chainSaid(chain, show) }}</p>
          <DataTable :id="(l) => l.path" :label="`Chain: ${chain.name}`" :columns="LINKS" :rows="[...chain.links]" />
        </template>
      </template>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <p class="mute">Behind the block’s rear face to the right, to scale, its upper half; heights are usual ones where not taped. Every length as it will be bolted together: gasket and plate too. {{ data.stroke === null ? 'What the pedal moves the bearing by is not known.' : `The pedal moves the bearing ${show(data.stroke, 'size')}.` }}</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>

<style scoped>
.drawing svg {
  display: block;
  width: 100%;
}
.block {
  fill: color-mix(in oklab, var(--engine) 30%, var(--card));
}
.piece rect {
  fill: color-mix(in oklab, var(--driveline) 35%, var(--card));
  stroke: var(--ink);
  stroke-width: calc(1 * var(--u));
}
.adapter rect,
.bell rect,
.carrier rect {
  fill: color-mix(in oklab, var(--line) 60%, var(--card));
}
.spacer rect,
.bearing rect {
  fill: color-mix(in oklab, var(--driveline) 75%, var(--card));
}
.shaft rect,
.nose rect,
.pinion rect {
  fill: color-mix(in oklab, var(--mute) 45%, var(--card));
}
.crank rect {
  fill: color-mix(in oklab, var(--engine) 60%, var(--card));
}
.axis {
  stroke: var(--mute);
  stroke-width: calc(1 * var(--u));
  stroke-dasharray: calc(9 * var(--u)) calc(3 * var(--u)) calc(2 * var(--u)) calc(3 * var(--u));
}
.dot {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: calc(0.8 * var(--u));
}
.names {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  margin: 6px 0 10px;
  padding: 0;
  list-style: none;
  font: 500 14px var(--labels);
}
text {
  font: 600 calc(12 * var(--u)) var(--labels);
  fill: var(--ink);
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
}
</style>
