<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useNamed } from '../../../station/useNamed'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'
import { along, steps, type Ledger } from '../logic'

/** What comes out and goes in along the machine, and what stands on the axles before, stripped and after. */
const build = useBuild()
const words = useVocabulary()
const { data, waiting } = useInstrument('weights/ledger', ref({}))
const { send, trouble } = useSending()
const { named } = useNamed()
/** The machine's own weight is said otherwise. */
const apart = computed(() => build.report?.systems.weights?.notices.some((n) => n.code === 'ledger') ?? false)
const WIDTH = 560
const x = computed(() => (data.value ? along(data.value, WIDTH) : (v: number) => v))
const ins = computed(() => (data.value?.lines ?? []).filter((l) => l.mass > 0))
const outs = computed(() => (data.value?.lines ?? []).filter((l) => l.mass < 0))
const rows = (list: Ledger['lines']) => steps(list.map((l) => x.value(l.arm)), 170)
const called = (l: Ledger['lines'][number]) => named(l.id, l.name.charAt(0).toUpperCase() + l.name.slice(1))
/** Under the last of what comes out. */
const low = computed(() => 150 + 22 * Math.max(0, ...rows(outs.value)))
/** Who says what it weighs, and as it was dressed. */
function known(l: Ledger['lines'][number]): string {
  const own = l.id === 'unit' ? 'engine.dry_mass' : `weights.items.${l.id}.mass`
  const dress = build.build?.facts[l.id === 'unit' ? 'weights.dress' : `weights.items.${l.id}.dress`]?.text
  const worded = dress && (l.id === 'unit' || ['engine', 'gearbox'].includes(l.name)) ? `, ${dress}` : ''
  return `${build.build?.facts[own]?.evidence ?? ''}${worded}`
}
/** Words near an edge lean inward. */
const lean = (at: number) => (at < 90 ? 'start' : at > WIDTH - 90 ? 'end' : 'middle')
const signed = (kg: number) => `${kg < 0 ? '−' : '+'} ${words.show(Math.abs(kg), 'mass')}`
type Line = Ledger['lines'][number]
type Axle = Ledger['axles'][number]
const LINES: Column<Line>[] = [
  { key: 'name', title: 'Thing', head: true, show: (l) => called(l) },
  { key: 'known', title: 'Known by', mute: true, show: (l) => known(l) },
  { key: 'mass', title: '', right: true, by: (l) => l.mass, show: (l) => signed(l.mass) },
  { key: 'arm', title: 'Behind the front axle', right: true, mute: true, show: (l) => words.show(l.arm, 'length') },
  { key: 'front', title: 'Front', right: true, show: (l) => signed(l.front) },
  { key: 'rear', title: 'Rear', right: true, show: (l) => signed(l.mass - l.front) },
]
const AXLES: Column<Axle>[] = [
  { key: 'end', title: 'Axle', head: true, show: (a) => a.end },
  { key: 'before', title: 'Before', right: true, mute: true, show: (a) => words.show(a.before, 'mass') },
  { key: 'stripped', title: 'Stripped', right: true, mute: true, show: (a) => words.show(a.stripped, 'mass') },
  { key: 'after', title: 'After', right: true, show: (a) => words.show(a.after, 'mass'), over: (a) => a.plate !== null && a.after > a.plate },
  { key: 'plate', title: 'Plate', right: true, mute: true, show: (a) => (a.plate === null ? 'not stated' : words.show(a.plate, 'mass')) },
  { key: 'ride', title: 'Rides', right: true, show: (a) => (a.sinks === null ? '' : Math.abs(a.sinks) < 5e-4 ? 'as before' : `${words.show(Math.abs(a.sinks), 'size')} ${a.sinks > 0 ? 'lower' : 'higher'}`) },
  { key: 'same', title: 'Spring for the same frequency', right: true, mute: true, show: (a) => (a.same === null || a.spring === null ? 'rate not stated' : `${words.show(a.same, 'stiffness')}, now ${words.show(a.spring, 'stiffness')}`) },
]
</script>

<template>
  <section class="card pad" data-ledger>
    <h2 class="label">Out and in, along the machine</h2>
    <template v-if="data">
      <div class="drawing" tabindex="0">
        <svg :viewBox="`0 0 ${WIDTH} ${low + 14}`" role="img" :aria-label="`Things out and in along the machine; balance point ${words.show(data.cg_x, 'length')} behind the front axle`">
          <g v-for="(l, i) in ins" :key="l.id" class="in">
            <line :x1="x(l.arm)" :x2="x(l.arm)" :y1="92 - 22 * (rows(ins)[i] ?? 0)" y2="104" />
            <text :x="x(l.arm)" :y="86 - 22 * (rows(ins)[i] ?? 0)" :text-anchor="lean(x(l.arm))">{{ called(l).toLowerCase() }} {{ words.show(l.mass, 'mass') }}</text>
          </g>
          <g v-for="(l, i) in outs" :key="l.id" class="out">
            <line :x1="x(l.arm)" :x2="x(l.arm)" y1="112" :y2="124 + 22 * (rows(outs)[i] ?? 0)" />
            <text :x="x(l.arm)" :y="138 + 22 * (rows(outs)[i] ?? 0)" :text-anchor="lean(x(l.arm))">{{ called(l).toLowerCase() }} {{ words.show(-l.mass, 'mass') }} out</text>
          </g>
          <line x1="10" :x2="WIDTH - 10" y1="108" y2="108" class="floor" />
          <g v-for="(a, i) in data.axles" :key="a.end" class="axle">
            <path :d="`M${x(i ? data.wheelbase : 0)} 108l-9 16h18z`" />
            <text :x="x(i ? data.wheelbase : 0)" :y="low + 8" text-anchor="middle">{{ words.show(a.after, 'mass') }}</text>
          </g>
          <circle :cx="x(data.cg_x)" cy="108" r="7" class="cg"><title>Balance point after the swap</title></circle>
          <circle :cx="x(data.stripped_x)" cy="108" r="5" class="bare"><title>Balance point stripped</title></circle>
          <template v-if="data.stands">
            <path v-for="(s, i) in data.stands" :key="i" :d="`M${x(s)} 108v34m-6 0h12`" class="stands" />
          </template>
        </svg>
      </div>
      <DataTable :id="(a) => a.end" label="Axles" :columns="AXLES" :rows="data.axles" />
      <DataTable :id="(l) => l.id" label="Ledger" :columns="LINES" :rows="data.lines" />
      <p class="mute">
        {{ words.show(data.before, 'mass') }} before, {{ words.show(data.mass, 'mass') }} after; its balance point {{ words.show(data.cg_x, 'length') }} behind the front axle and {{ words.show(data.cg_z, 'length') }} over the ground (the ring; stripped, the dot). Each engine and gearbox counts as it runs: dressed and filled. What stands on either wheel of an axle, statics cannot tell: four scales can.
        <button v-if="apart" class="textlink" type="button" @click="send(line('machine.mass', `${data.mass.toFixed(0)} kg`, { evidence: 'taped' }))">Take {{ words.show(data.mass, 'mass') }} as the machine’s weight</button>
      </p>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    </template>
    <Unseen v-else :waiting="waiting">Both axles’ weights before the swap begin it, and where the new engine’s balance point comes to.</Unseen>
  </section>
</template>

<style scoped>
.drawing {
  --lettering: 13px;
}
.floor {
  stroke: var(--ink);
  stroke-width: 2;
}
.in line {
  stroke: var(--weights);
  stroke-width: 3;
}
.out line {
  stroke: var(--mute);
  stroke-width: 3;
  stroke-dasharray: 4 3;
}
.axle path {
  fill: var(--weights);
}
.cg {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2;
}
.bare {
  fill: var(--mute);
}
.stands {
  fill: none;
  stroke: var(--brass-line);
  stroke-width: 3;
}
</style>
