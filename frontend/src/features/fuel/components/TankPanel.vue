<script setup lang="ts">
import { computed } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useDuty } from '../../../station/useDuty'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { lasting } from '../logic'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import type { View } from '../../../api/client'

/** The tank by duty: what cannot be reached, how long and how far it lasts; its box with the surface of the worst. */
const words = useVocabulary()
const { index } = useDuty('fuel')
const options = computed(() => ({ duty: index.value }))
const { data } = useInstrument('fuel/tank', options)
const SCALE = 390
const box = computed(() => data.value?.box ?? null)
const unit = computed(() => SCALE / (box.value?.length ?? 1))
const tall = computed(() => (box.value?.height ?? 0) * unit.value)
const X = (x: number) => 40 + (x + (box.value?.length ?? 0) / 2) * unit.value
const Y = (z: number) => 34 + tall.value - z * unit.value
const clipped = computed(() => {
  const b = box.value
  if (!b) return ''
  // The fuel's outline: floor, then the surface, cut at floor and roof.
  const steps = 40
  const top = Array.from({ length: steps + 1 }, (_, i) => {
    const share = i / steps
    const x = -b.length / 2 + share * b.length
    const z = Math.min(Math.max(b.surface[0] + share * (b.surface[1] - b.surface[0]), 0), b.height)
    return `${X(x)} ${Y(z)}`
  })
  return `M${X(-b.length / 2)} ${Y(0)}L${top.join('L')}L${X(b.length / 2)} ${Y(0)}z`
})
const columns = computed<Column<View<'fuel/tank'>['duties'][number]>[]>(() => [
  { key: 'name', title: 'Duty', head: true, show: (r) => r.name },
  { key: 'burned', title: 'burns', show: (r) => words.show(r.burned, 'flow_fuel') },
  { key: 'lost', title: 'cannot be reached', show: (r) => (box.value ? words.show(r.lost, 'volume') : '—') },
  { key: 'lasts', title: 'a full tank lasts', show: (r) => lasting(r.lasts) },
  { key: 'range', title: 'goes', show: (r) => (r.range === null ? '—' : far(r.range)) },
  { key: 'end', title: 'tank ends at', show: (r) => (r.end === null ? '—' : words.show(r.end, 'temperature')) },
])
function far(metres: number): string {
  const inch = words.unit('distance') === 'ft'
  return `${Math.round(words.value(metres, 'distance') / (inch ? 5280 : 1000))}\u00a0${inch ? 'mi' : 'km'}`
}
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">Tank</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="box">
      <div class="drawing" tabindex="0"><svg :viewBox="`0 0 500 ${tall + 66}`" role="img" :aria-label="`Tank ${box.across ? 'from behind' : 'from the side'}, ${box.way}: pickup ${box.covered ? 'covered' : 'bare'}`">
        <path :d="clipped" class="fuel" />
        <rect :x="X(-box.length / 2)" :y="Y(box.height)" :width="SCALE" :height="tall" class="box" />
        <path :d="`M${X(box.pickup[0])} ${Y(box.height) - 8}V${Y(box.pickup[1])}`" class="pipe" :class="{ over: !box.covered }" />
        <path :d="`M${X(box.pickup[0]) - 12} ${Y(box.pickup[1])}h24`" class="foot" :class="{ over: !box.covered }" />
        <text :x="X(0)" :y="Y(box.height) - 14" text-anchor="middle">{{ words.show(box.length, 'size') }} · {{ box.across ? 'left of the machine' : 'front of the machine' }} →</text>
        <text :x="X(box.length / 2) + 10" :y="Y(box.height / 2)">{{ words.show(box.height, 'size') }}</text>
        <text :x="X(0)" :y="Y(0) + 24" text-anchor="middle" class="strong" :class="{ over: !box.covered }">{{ box.way }}, {{ words.show(box.left, 'volume') }} left: {{ box.covered ? 'covered' : `draws air, wants ${words.show(box.asked, 'volume')}` }}</text>
      </svg></div>
    </template>
    <DataTable v-if="data" :id="(r) => r.name" label="Tank by duty" :columns="columns" :rows="data.duties" />
    <p v-if="data" class="mute">
      <template v-if="data.volume === null">Give what the tank holds, or its box inside, for range and heat. </template>
      <template v-if="!box">Its length, width and height and where the pickup stands show what grade, bends and heel leave out of reach. </template>
      Worst of braking, pulling away, both bends and heel, quasi-static: a splash of under half a second may be ridden out.
      A vent of {{ words.show(data.vent_bore, 'size') }} passes what the engine takes<template v-if="data.vent !== null">; the one fitted lets the tank down by {{ words.show(data.vent, 'pressure_small') }}</template>.
      <template v-if="data.filler !== null">The filler swallows {{ words.show(data.filler, 'flow') }}; a filling pump gives {{ words.show(data.nozzle, 'flow') }}.</template>
    </p>
  </section>
</template>

<style scoped>
.drawing svg {
  max-height: 260px;
}
.fuel {
  fill: var(--fuel);
  opacity: 0.25;
}
.box {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.pipe,
.foot {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
.pipe.over,
.foot.over {
  stroke: var(--over);
}
.scroll {
  overflow-x: auto;
  margin-bottom: 8px;
}
</style>
