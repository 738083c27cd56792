<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'
import { chainSaid, frame, labels, off, type Chain } from '../logic'

/** The stack as a section to scale, the block on the left; its chains with how sure they are. */
const words = useVocabulary()
const { send, trouble } = useSending()
const { data, waiting } = useInstrument('driveline/stack', ref({}))
const box = computed(() => (data.value ? frame(data.value.pieces) : { left: 0, wide: 1, high: 0.2 }))
const u = computed(() => box.value.wide / 640)
const named = computed(() => (data.value ? labels(data.value.pieces, 17 * u.value, box.value.high) : []))
const top = computed(() => box.value.high + 17 * u.value * Math.min(5.4, named.value.length + 0.6))
const main = computed(() => data.value?.chains[0])
type Link = Chain['links'][number]
const LINKS: Column<Link>[] = [
  { key: 'name', title: 'Length', head: true, show: (l) => l.name },
  { key: 'sign', title: '', mute: true, show: (l) => (l.sign > 0 ? 'adds' : 'takes off') },
  { key: 'value', title: '', right: true, show: (l) => (l.value === null ? 'to be taped' : `${(1000 * l.value).toFixed(1)} mm`), over: (l) => l.value === null },
]
const wanted = computed(() => {
  const d = data.value
  return d?.spacer == null || Math.abs(d.spacer - d.has_spacer) < 5e-4 || d.spacer < 0 ? null : d.spacer
})
async function put(): Promise<void> {
  if (wanted.value !== null) await send(line('driveline.spacer', `${(1000 * wanted.value).toFixed(1)} mm`, { evidence: 'guess' }))
}
</script>

<template>
  <section class="card pad" data-stack>
    <h2 class="label">{{ data?.automatic ? 'Block to converter' : 'Block to bearing' }}</h2>
    <template v-if="data">
      <p v-if="main" role="status"><strong :class="{ over: off(main) }">{{ chainSaid(main) }}</strong></p>
      <div v-if="data.pieces.length" class="drawing" tabindex="0">
        <svg :viewBox="`${box.left} ${-top} ${box.wide} ${top + box.high}`" :style="{ '--u': `${u}px` }" role="img" :aria-label="`Section along the crank, its rear to the right: ${data.pieces.map((p) => `${p.name} ${(1000 * p.start).toFixed(0)} to ${(1000 * p.end).toFixed(0)} mm`).join('; ')}`">
          <rect :x="box.left" :y="-box.high" :width="-box.left" :height="2 * box.high" class="block" />
          <g v-for="p in data.pieces" :key="p.id" :class="['piece', p.id]">
            <template v-if="p.inside > 0">
              <rect :x="p.start" :y="-p.outside" :width="p.end - p.start" :height="p.outside - p.inside" />
              <rect v-if="p.id !== 'pinion'" :x="p.start" :y="p.inside" :width="p.end - p.start" :height="p.outside - p.inside" />
            </template>
            <rect v-else :x="p.start" :y="-p.outside" :width="p.end - p.start" :height="2 * p.outside" />
          </g>
          <line :x1="box.left" :x2="box.left + box.wide" y1="0" y2="0" class="axis" />
          <g v-for="l in named" :key="`n${l.piece.id}`">
            <line :x1="l.x" :x2="l.x" :y1="l.y + 4 * u" :y2="-l.piece.outside" class="lead" />
            <text :x="l.x" :y="l.y" text-anchor="middle">{{ l.piece.name }}</text>
          </g>
          <text :x="box.left + 4 * u" :y="box.high - 6 * u">block</text>
        </svg>
      </div>
      <p v-else class="mute">Nothing is taped yet: block’s face to the crank’s flange, flywheel, clutch, bell and bearing make the drawing.</p>
      <p v-if="wanted !== null" class="row"><span>A spacer of <b>{{ (1000 * wanted).toFixed(1) }} mm</b> in all, of steel, puts the bearing right; bolts, starter and pilot are judged with it.</span> <button class="button noprint" type="button" @click="put">Try that spacer</button></p>
      <p v-else-if="data.spacer !== null && data.spacer < -5e-4" class="over">No spacer mends it: {{ (-1000 * data.spacer).toFixed(1) }} mm more of adapter, or a bearing so much shorter.</p>
      <template v-for="chain in data.chains" :key="chain.id">
        <template v-if="chain.links.some((l) => l.value !== null && !['spacer', 'adapter'].includes(l.name))">
          <h3 class="label">{{ chain.name }}</h3>
          <p v-if="chain !== main" :class="{ over: off(chain) }">{{ chainSaid(chain) }}</p>
          <DataTable :id="(l) => l.path" :label="`Chain: ${chain.name}`" :columns="LINKS" :rows="[...chain.links]" />
        </template>
      </template>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <p class="mute">Behind the block’s rear face to the right, to scale; heights are usual ones where not taped. Every length as it will be bolted together: gasket and plate too. {{ data.stroke === null ? 'What the pedal moves the bearing by is not known.' : `The pedal moves the bearing ${words.show(data.stroke, 'size')}.` }}</p>
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
.lead {
  stroke: var(--mute);
  stroke-width: calc(0.7 * var(--u));
}
text {
  font: 500 calc(13 * var(--u)) var(--labels);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: calc(3 * var(--u));
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
}
</style>
