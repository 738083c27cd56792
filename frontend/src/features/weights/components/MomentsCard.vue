<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useNamed } from '../../../station/useNamed'
import { useVocabulary } from '../../../stores/vocabulary'
import CautionNote from '../../../ui/CautionNote.vue'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'
import { moments, type Moments } from '../logic'

/** An aircraft's moment table and envelope, tanks full to burned out. Advisory: it says whose word it is. */
const words = useVocabulary()
const { named } = useNamed()
const { data, waiting } = useInstrument('weights/moments', ref({}))
const WIDTH = 520
const HEIGHT = 300
const at = computed(() => (data.value ? moments(data.value, WIDTH, HEIGHT) : () => [0, 0] as [number, number]))
const xy = (arm: number, mass: number) => at.value(arm, mass).map((v) => v.toFixed(1)).join(' ')
const outline = computed(() => (data.value?.envelope.length ? `M${data.value.envelope.map(([a, m]) => xy(a, m)).join('L')}Z` : ''))
/** From full tanks to burned out. */
const burn = computed(() => {
  const aboard = (data.value?.states ?? []).slice(1)
  return aboard.length > 1 ? `M${aboard.map((s) => xy(s.arm, s.mass)).join('L')}` : ''
})
type Line = Moments['lines'][number]
type State = Moments['states'][number]
const MEANS: Record<string, string> = { in: '', out: 'out', aboard: 'aboard', burned: 'burned' }
const LINES: Column<Line>[] = [
  { key: 'name', title: 'Line', head: true, show: (l) => `${named(l.id, l.name.charAt(0).toUpperCase() + l.name.slice(1))}${MEANS[l.goes] ? `, ${MEANS[l.goes]}` : ''}` },
  { key: 'mass', title: 'Weight', right: true, show: (l) => words.show(l.mass, 'mass') },
  { key: 'arm', title: 'Arm', right: true, show: (l) => words.show(l.arm, 'length') },
  { key: 'moment', title: 'kg·m', right: true, mute: true, show: (l) => l.moment.toFixed(1) },
]
const STATES: Column<State>[] = [
  { key: 'name', title: 'As it is', head: true, show: (s) => s.name },
  { key: 'mass', title: 'Weight', right: true, show: (s) => words.show(s.mass, 'mass') },
  { key: 'arm', title: 'Arm', right: true, show: (s) => words.show(s.arm, 'length') },
  { key: 'inside', title: '', show: (s) => (s.inside === null ? 'no envelope stated' : s.inside ? 'inside' : 'outside'), over: (s) => s.inside === false },
]
</script>

<template>
  <section class="card pad" data-moments>
    <h2 class="label">Moments and envelope, advisory</h2>
    <CautionNote v-if="data" :text="data.says" />
    <template v-if="data">
      <svg class="envelope" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" aria-label="Weight over arm: the envelope and the states of loading">
        <path v-if="outline" :d="outline" class="outline" />
        <path v-if="burn" :d="burn" class="burn" />
        <g v-for="s in data.states" :key="s.name" class="state" :class="{ out: s.inside === false }">
          <circle :cx="at(s.arm, s.mass)[0]" :cy="at(s.arm, s.mass)[1]" r="6" />
          <text :x="at(s.arm, s.mass)[0] + (at(s.arm, s.mass)[0] > WIDTH / 2 ? -10 : 10)" :y="at(s.arm, s.mass)[1] + 4" :text-anchor="at(s.arm, s.mass)[0] > WIDTH / 2 ? 'end' : 'start'">{{ s.name }}, {{ words.show(s.mass, 'mass') }}</text>
        </g>
        <line x1="40" :x2="WIDTH - 10" :y1="HEIGHT - 30" :y2="HEIGHT - 30" class="edge" />
        <line x1="40" x2="40" y1="10" :y2="HEIGHT - 30" class="edge" />
        <text :x="WIDTH - 12" :y="HEIGHT - 10" text-anchor="end">arm behind the datum</text>
        <text x="46" y="20">weight</text>
      </svg>
      <DataTable :id="(s) => s.name" label="States of loading" :columns="STATES" :rows="data.states" />
      <DataTable :id="(l) => l.id" label="Moment table" :columns="LINES" :rows="data.lines" />
    </template>
    <Unseen v-else :waiting="waiting">Empty weight and its arm, off the last weighing report, begin it.</Unseen>
  </section>
</template>

<style scoped>
.envelope {
  display: block;
  width: 100%;
  max-height: 340px;
  background: var(--glass);
  border-radius: 3px;
  margin: 8px 0;
}
.outline {
  fill: var(--weights);
  fill-opacity: 0.14;
  stroke: var(--weights);
  stroke-width: 2;
}
.burn {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 6 4;
}
.state circle {
  fill: var(--ink);
}
.state.out circle {
  fill: var(--over);
}
.edge {
  stroke: var(--mute);
}
text {
  font: 500 13px var(--labels);
  fill: var(--ink);
}
</style>
