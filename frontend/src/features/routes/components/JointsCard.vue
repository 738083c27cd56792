<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Pick from '../../../ui/Pick.vue'
import Unseen from '../../../ui/Unseen.vue'
import type { JointsView } from '../logic'

/** Joints as stated; of a hole picked every thread that is near it, and how each that is not the one goes wrong. */
const words = useVocabulary()
const picked = ref<number | null>(null)
const { data, waiting } = useInstrument('routes/joints', computed((): Record<string, number> => (picked.value === null ? {} : { hole: picked.value })))
type Joint = JointsView['joints'][number]
type Thread = JointsView['near'][number]
const size = (v: number | null) => (v === null ? '–' : words.show(v, 'size'))
const JOINTS: Column<Joint>[] = [
  { key: 'name', title: 'Joint', head: true, show: (j) => j.name },
  { key: 'words', title: '', show: (j) => j.words || 'not known yet', over: (j) => j.goes === false },
  { key: 'wall', title: 'wall left', right: true, show: (j) => size(j.wall), over: (j) => (j.wall ?? 1) < (j.wall_asked ?? 0) },
  { key: 'depth', title: 'screwed in', right: true, show: (j) => (j.depth === null ? (j.depth_asked === null ? '–' : `${size(j.depth_asked)} asked`) : size(j.depth)), over: (j) => j.depth !== null && j.depth < (j.depth_asked ?? 0) },
  { key: 'stretch', title: 'stretched', right: true, show: (j) => (j.stretch === null ? '–' : words.show(j.stretch, 'share')), over: (j) => j.goes === false && j.stretch !== null },
  { key: 'adapters', title: 'instead', mute: true, show: (j) => (j.adapters.length ? `cut larger: ${j.adapters.join(', ')}` : j.turns === null ? '' : `${j.turns.toFixed(1)} turns past hand tight`) },
]
const THREADS: Column<Thread>[] = [
  { key: 'label', title: 'Thread', head: true, show: (t) => t.label },
  { key: 'major', title: 'across', right: true, show: (t) => `${(t.major * 1e3).toFixed(2)} mm` },
  { key: 'pitch', title: 'pitch', right: true, show: (t) => `${(t.pitch * 1e3).toFixed(3)} mm, ${t.tpi.toFixed(1)} an inch` },
  { key: 'drill', title: 'its drill', right: true, mute: true, show: (t) => `${(t.drill * 1e3).toFixed(1)} mm` },
  { key: 'words', title: 'in that hole', show: (t) => t.words, over: (t) => !t.goes },
]
const which = computed({ get: () => String(data.value?.picked ?? ''), set: (v: string) => (picked.value = Number(v)) })
const names = computed(() => data.value?.names.map((label, i) => ({ value: String(i), label })) ?? [])
const said = computed(() => {
  const own = data.value?.joints ?? []
  const bad = own.filter((j) => j.goes === false)
  if (bad[0]) return `${bad[0].name}: ${bad[0].words}${bad.length > 1 ? `; and ${bad.length - 1} more` : ''}.`
  return own.length ? 'Every joint that is known goes together.' : ''
})
</script>

<template>
  <section class="card pad" data-joints>
    <h2 class="label">Joints</h2>
    <template v-if="data">
      <p v-if="said" role="status"><strong :class="{ over: data.joints.some((j) => j.goes === false) }">{{ said }}</strong></p>
      <DataTable v-if="data.joints.length" :id="(j) => j.id" label="Joints" :columns="JOINTS" :rows="data.joints" />
      <p v-else class="mute">None is listed: add one under “What is fitted”, or pick a hole below.</p>
      <div class="cardhead"><h3 class="label">What goes in a hole of</h3><Pick v-model="which" label="Hole's thread" :options="names" /></div>
      <DataTable :id="(t) => t.label" label="Threads near it" :columns="THREADS" :rows="data.near" />
      <p class="mute">Metric, BSP, NPT and UNF by their standards (ISO 261, ISO 7-1, ISO 228-1, ASME B1.20.1, ASME B1.1): a gauge on the thread before anything is ordered. Brake and gas joints are made by licensed people.</p>
    </template>
    <Unseen v-else :waiting="waiting">Threads are on their way.</Unseen>
  </section>
</template>
