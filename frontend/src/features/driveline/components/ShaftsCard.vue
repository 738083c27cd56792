<script setup lang="ts">
import { ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import SwingLine from '../../../ui/SwingLine.vue'
import Unseen from '../../../ui/Unseen.vue'
import { lineSaid, profile, type Line } from '../logic'

/** Each line of shafts from the side and from above, its joints, how unevenly it turns, how fast its shafts may. */
const words = useVocabulary()
const { data, waiting } = useInstrument('driveline/shafts', ref({}))
const show = (v: number, kind: string) => words.show(v, kind)
type Joint = Line['joints'][number]
type Shaft = Line['shafts'][number]
const W = 600
const H = 96
const bent = (v: number) => show(Math.abs(v), 'angle')
const JOINTS: Column<Joint & { n: number }>[] = [
  { key: 'n', title: 'Joint', head: true, show: (j) => String(j.n) },
  { key: 'angle', title: 'bends in all', right: true, show: (j) => show(j.angle, 'angle') },
  { key: 'side', title: 'from the side', right: true, mute: true, show: (j) => `${bent(j.side)}${Math.abs(j.side) < 1e-4 ? '' : j.side > 0 ? ' up' : ' down'}` },
  { key: 'plan', title: 'from above', right: true, mute: true, show: (j) => `${bent(j.plan)}${Math.abs(j.plan) < 1e-4 ? '' : j.plan > 0 ? ' left' : ' right'}` },
]
const SHAFTS: Column<Shaft>[] = [
  { key: 'name', title: 'Shaft', head: true, show: (s) => `${s.name}, ${show(s.length, 'length')}` },
  { key: 'whirls', title: 'whirls at', right: true, show: (s) => (s.whirls === null ? 'tube not stated' : show(s.whirls, 'speed_rpm')) },
  { key: 'may', title: 'may turn', right: true, show: (s) => (s.may === null ? '–' : show(s.may, 'speed_rpm')), over: (s) => s.may !== null && (data.value?.speed ?? 0) > s.may },
  { key: 'in', title: 'slides in', right: true, show: (s) => (s.slides_in === null ? '–' : show(s.slides_in, 'size')) },
  { key: 'out', title: 'and out', right: true, show: (s) => (s.slides_out === null ? '–' : show(s.slides_out, 'size')) },
]
const joints = (line: Line) => line.joints.map((j, i) => ({ ...j, n: i + 1 }))
</script>

<template>
  <section class="card pad" data-shafts>
    <h2 class="label">Shafts and their joints</h2>
    <template v-if="data">
      <p v-if="data.speed !== null && data.lines.length" class="mute">On the road they turn {{ show(data.speed, 'speed_rpm') }} at most.</p>
      <template v-for="line in data.lines" :key="line.axle">
        <h3 class="label">To the {{ line.axle }} axle{{ line.driven ? '' : ', left out' }}</h3>
        <p role="status"><strong :class="{ over: (line.shaken ?? 0) > data.felt }">{{ lineSaid(line, data, show) }}</strong></p>
        <div class="drawing" tabindex="0">
          <svg :viewBox="`0 0 ${W + 40} ${2 * H + 40}`" role="img" :aria-label="`Line to the ${line.axle} axle, gearbox on the left: joints bend ${line.joints.map((j) => show(j.angle, 'angle')).join(', ')}`">
            <g v-for="(of, i) in [2, 1] as const" :key="of" :transform="`translate(20 ${i * (H + 24) + 14})`">
              <text x="-14" y="2" class="word">{{ of === 2 ? 'from the side' : 'from above' }}</text>
              <path :d="profile(line.points, of, W, H).path" class="shaft" />
              <circle v-for="([x, y], k) in profile(line.points, of, W, H).at.slice(1, -1)" :key="k" :cx="x" :cy="y" r="5" class="joint" />
              <text v-for="([x, y], k) in profile(line.points, of, W, H).at.slice(1, -1)" :key="`t${k}`" :x="x" :y="y + 24" text-anchor="middle" class="word">{{ bent(of === 2 ? (line.joints[k]?.side ?? 0) : (line.joints[k]?.plan ?? 0)) }}</text>
            </g>
          </svg>
        </div>
        <DataTable :id="(j) => String(j.n)" :label="`Joints to the ${line.axle} axle`" :columns="JOINTS" :rows="joints(line)" />
        <DataTable :id="(s) => s.id" :label="`Shafts to the ${line.axle} axle`" :columns="SHAFTS" :rows="line.shafts" />
        <SwingLine colour="driveline" :ratio="line.ratio" :least="0.002" :said="(v) => `One turn of the gearbox’s end: the axle’s runs ${show(v, 'share')} ahead and behind`" :label="(v) => `Speed of the axle's end through one turn, ${show(v, 'share')} either way`" />
      </template>
      <p v-if="data.missing.length" class="mute">Still to be stated: {{ data.missing.map((p) => words.label(p).toLowerCase()).join(', ') }}.</p>
      <p v-else-if="!data.lines.length" class="mute">List the shafts under “Parts”: length, how it falls, its tube. The axle’s own slope makes the second joint.</p>
      <p class="mute">Angles count between shafts, from the side and from above together, never from level. Joints cancel by their squares, forks in line.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
}
.shaft {
  fill: none;
  stroke: var(--driveline);
  stroke-width: 5;
  stroke-linejoin: round;
}
.joint {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2;
}
.word {
  font: 500 18px var(--labels);
  fill: var(--ink);
}
</style>
