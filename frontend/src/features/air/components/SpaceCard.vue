<script setup lang="ts">
import { computed, inject } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { ChartPanel } from '../../../ui/lazyChart'
import NamedValues from '../../../ui/NamedValues.vue'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'
import type { SpaceView } from '../logic'
import { useHardest } from '../useHardest'

/** The engine space by duty, what sits in it, a box of electronics, a closed room's opening. */
const words = useVocabulary()
const build = useBuild()
const look = inject(THEME)
const { send, trouble } = useSending()
const { index } = useHardest()
const { data, waiting } = useInstrument('air/space', computed(() => ({ duty: index.value })))
type Row = SpaceView['rows'][number]
type Part = SpaceView['parts'][number]
const t = (v: number) => words.show(v, 'temperature')
const COLUMNS: Column<Row>[] = [
  { key: 'name', title: 'Duty', head: true, show: (r) => r.name },
  { key: 'temperature', title: 'Engine space', right: true, show: (r) => t(r.temperature) },
  { key: 'inlet', title: 'air drawn', right: true, show: (r) => t(r.inlet) },
  { key: 'outside', title: 'outside', right: true, mute: true, show: (r) => t(r.outside) },
  { key: 'core', title: 'of the core', right: true, mute: true, show: (r) => words.show(r.core, 'heat') },
  { key: 'exhaust', title: 'exhaust', right: true, mute: true, show: (r) => words.show(r.exhaust, 'heat') },
  { key: 'radiation', title: 'engine', right: true, mute: true, show: (r) => words.show(r.radiation, 'heat') },
  { key: 'flow', title: 'air through', right: true, mute: true, show: (r) => `${words.show(r.flow, 'mass_flow_s')}${r.by_draught ? ', draught' : ''}` },
]
const hottest = computed(() => Math.max(0, ...(data.value?.rows.map((r) => r.temperature) ?? [])))
const PARTS = computed((): Column<Part>[] => [
  { key: 'name', title: 'In it', head: true, show: (p) => `${p.name}${p.here ? '' : ', if there'}` },
  { key: 'limit', title: 'may reach', right: true, show: (p) => t(p.limit) },
  { key: 'left', title: 'left', right: true, show: (p) => words.show(p.limit - hottest.value, 'temperature_difference'), over: (p) => p.limit < hottest.value },
])
const worked = computed(() => data.value?.rows[0]?.worked ?? false)
/** Said to the exhaust, where neighbours of the pipe stand in it. */
const rises = computed(() => Object.entries({ bay_moving: data.value?.moving ?? null, bay_standing: data.value?.standing ?? null }).flatMap(([name, k]) => (k === null ? [] : [{ name, said: `${Math.min(k, 90).toFixed(0)} K` }])))
const tell = () => send(...rises.value.map((r) => line(`exhaust.${r.name}`, r.said, { evidence: 'similar' })))
const counts = (name: string, usual: string) => build.build?.facts[`exhaust.${name}`]?.shown ?? usual
const box = computed(() => data.value?.box ?? null)
const boxRows = computed(() => {
  const b = box.value
  if (!b) return []
  return [
    { label: 'Round it', shown: t(b.around) },
    { label: `In it, ${t(b.limit)} at most`, shown: t(b.inside), over: b.inside > b.limit },
    { label: 'A fan that would do', shown: b.fan_needed === null ? 'none: the air round it is too hot' : b.fan_needed <= 0 ? 'none needed' : words.show(b.fan_needed, 'flow') },
  ]
})
const option = computed(() => {
  const b = box.value
  if (!b || look === undefined) return null
  void look.dark.value
  const at = (f: (i: number) => number) => b.flows.map((q, i): [number, number] => [words.value(q, 'flow'), words.value(f(i), 'temperature')])
  const plot = plotOption({
    x: `fan, ${words.unit('flow')}`, y: words.unit('temperature'),
    lines: [
      { name: 'in the box', points: at((i) => b.by_flow[i] ?? 0), colour: read('air'), at: 0.4, side: 'top' },
      { name: 'may reach', points: at(() => b.limit), colour: read('over'), at: 0.8, side: 'top' },
    ],
  }) as { yAxis: Record<string, unknown> }
  return { ...plot, yAxis: { ...plot.yAxis, min: undefined, scale: true } }
})
const area = (v: number) => words.show(v, 'area')
const room = computed(() => {
  const r = data.value?.room
  if (!r) return []
  const each = (v: number) => `${area(v)}, ${(1e4 * v / Math.max(r.power / 1000, 1e-6)).toFixed(1)} cm² a kW`
  return [
    { label: 'For what the engine burns alone', shown: each(r.burning) },
    { label: 'That also keeps the room 15 K over outside', shown: each(r.wanted) },
    ...(r.has === null ? [] : [{ label: 'Is open', shown: area(r.has), over: r.has < r.burning }]),
  ]
})
</script>

<template>
  <section class="card pad" data-space>
    <h2 class="label">The engine space</h2>
    <template v-if="data">
      <p v-if="worked"><strong>{{ t(hottest) }}</strong> at its hottest, by what core, exhaust and engine give it and the air that carries it away.</p>
      <p v-else>Counted 15 K over the air outside on the move, 30 K at rest: nothing that moves air through it is known. State core and fan, a blower, or openings low and high.</p>
      <DataTable :id="(r) => r.duty" label="Engine space by duty" :columns="COLUMNS" :rows="data.rows" />
      <DataTable :id="(p) => p.name" label="What sits in it" :columns="PARTS" :rows="data.parts" />
      <p v-if="worked && build.report?.systems.exhaust" class="mute">What stands beside the exhaust counts its own: {{ counts('bay_moving', '15 K') }} over outside on the move, {{ counts('bay_standing', '30 K') }} at rest. <button class="textlink" type="button" @click="tell">Let it count {{ rises.map((r) => r.said).join(' and ') }}</button></p>
      <p class="mute">The core's air leaves by the core's own way out; openings beside it count only as far as their draught is stronger. Its warmth is not fed back on power: it is a cost, under The way in.</p>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
  <section v-if="data" class="card pad" data-box>
    <div class="cardhead">
      <h2 class="label">Electronics box</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="box">
      <NamedValues :rows="boxRows" />
      <ChartPanel v-if="option && !box.vented" :option="option" label="Inside the box by its fan" />
      <p class="mute">Films inside and out in series halve what a wall gives away. Air through a box takes its splash rating: mouths down, labyrinth, filter.</p>
    </template>
    <p v-else class="mute">Give the watts lost in the box and its outside, all six sides.</p>
  </section>
  <section v-if="room.length" class="card pad" data-room>
    <h2 class="label">In a closed room</h2>
    <NamedValues :rows="room" />
    <p class="mute">Under 60 Pa across the opening. The usual rule of 6 to 9 cm² a kW is ventilation, not breathing.</p>
  </section>
</template>
