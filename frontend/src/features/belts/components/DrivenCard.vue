<script setup lang="ts">
import { computed } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'
import { gripSaid, type Pulley, type Route } from '../logic'
import { useBelt } from '../useBelt'
import BeltPick from './BeltPick.vue'

/** What each pulley turns, takes and bears. */
const words = useVocabulary()
const belt = useBelt()
const { data, waiting } = useInstrument('belts/route', computed(() => ({ belt: belt.value })))
const rpm = (v: number | undefined) => (v === undefined ? '' : words.show(v, 'speed_rpm').replace(/ ?rpm$/, ''))
const columns = computed((): Column<Pulley>[] => [
  { key: 'name', title: 'Turns, rpm', head: true, show: (p) => p.name },
  ...[0, 1, 2].map((i): Column<Pulley> => ({ key: `at${i}`, title: `at ${rpm(data.value?.engine[i])}`, right: true, show: (p) => rpm(p.speeds[i]), over: (p) => i === 2 && (p.speeds[i] ?? 0) > p.most })),
  { key: 'most', title: 'may', right: true, mute: true, show: (p) => (p.what === 'crank' ? '' : rpm(p.most)) },
  { key: 'takes', title: 'takes', right: true, show: (p) => (p.takes ? words.show(p.takes, 'power') : '') },
  { key: 'hub', title: 'hub bears', right: true, show: (p) => words.show(p.hub, 'force') },
  { key: 'grip', title: 'grip', right: true, show: (p) => (['idler', 'tensioner'].includes(p.what) ? '' : gripSaid(p.margin)), over: (p) => p.margin < (data.value?.keeps ?? 0) },
])
type Span = Route['spans'][number]
const SPANS: Column<Span>[] = [
  { key: 'between', title: 'Free span', head: true, show: (s) => s.between.join(' to ') },
  { key: 'length', title: 'runs free', right: true, show: (s) => words.show(s.length, 'length') },
  { key: 'note', title: 'note plucked, at rest', right: true, show: (s) => words.show(s.note, 'frequency') },
]
const wide = computed(() => data.value?.pulleys.filter((p) => p.what !== 'crank').reduce((a, b) => (a && a.hub >= b.hub ? a : b), undefined as Pulley | undefined))
</script>

<template>
  <section class="card pad">
    <div class="cardhead"><h2 class="label">What they turn, take and bear</h2><BeltPick v-if="data" :belts="data.belts" /></div>
    <template v-if="data && !data.why">
      <p v-if="wide"><strong>The {{ wide.name }}’s bracket stands {{ words.show(wide.hub, 'force') }} of belt, and its weight shaken.</strong></p>
      <DataTable :id="(p) => p.id" label="Speeds and loads of pulleys" :columns="columns" :rows="data.pulleys" />
      <p class="mute">Takes: at the engine’s limit, spun up besides. A bracket’s own strength is worked under Mounts: give it the load here, at the pulley’s distance from the block.</p>
      <DataTable :id="(s) => s.between.join()" label="Free spans" :columns="SPANS" :rows="data.spans" />
    </template>
    <p v-else-if="data" class="over">{{ data.why }}.</p>
    <Unseen v-else :waiting="waiting">State the pulleys: what each turns, where it lies from the crank, how large it is.</Unseen>
  </section>
</template>
