<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'
import type { ChoicesView } from '../logic'

/** Air-conditioning, steering and alternator one way or the other, beside what is there. */
const words = useVocabulary()
const { data, waiting } = useInstrument('electrics/choices', ref({}))
type Row = ChoicesView['rows'][number]
const amps = (v: number) => words.show(v, 'current')
const left = (v: number) => (v >= 0 ? `${amps(v)} spare` : `${amps(-v)} short`)
const COLUMNS: Column<Row>[] = [
  { key: 'name', title: 'One way', head: true, show: (r) => r.name },
  { key: 'idle', title: 'idle, wet night', right: true, show: (r) => left(r.idle_left), over: (r) => r.idle_left < 0 },
  { key: 'cruise', title: 'under way', right: true, show: (r) => left(r.cruise_left), over: (r) => r.cruise_left < 0 },
  { key: 'draws', title: 'draws under way', right: true, mute: true, show: (r) => amps(r.cruise_draws) },
  { key: 'crank', title: 'off the crank', right: true, show: (r) => words.show(r.crank, 'power') },
]
const said = computed(() => {
  const rows = data.value?.rows ?? []
  const [now, ...others] = rows
  if (!now) return ''
  if (now.cruise_left >= 0 && now.idle_left >= 0) return 'It charges as it is; each change beside it.'
  const mends = others.filter((r) => r.cruise_left >= 0 && r.idle_left >= 0).sort((a, b) => a.full - b.full)[0]
  return mends ? `What mends it alone: ${mends.name}.` : 'No one of these mends it alone.'
})
</script>

<template>
  <section class="card pad">
    <h2 class="label">One way or the other</h2>
    <template v-if="data">
      <p><strong>{{ said }}</strong></p>
      <DataTable :id="(r) => r.id" label="Choices beside each other" :columns="COLUMNS" :rows="data.rows" />
      <p class="mute">Idling short is a cost with the time it lasts; under way short flattens the battery. Off the crank: alternator, steering pump and compressor at a mean. An electric steering pump needs a fallback: without current the wheel must still turn.</p>
    </template>
    <Unseen v-else :waiting="waiting">State what draws, and the alternator’s plate.</Unseen>
  </section>
</template>
