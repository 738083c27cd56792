<script setup lang="ts">
import { ref } from 'vue'
import type { View } from '../../../api/client'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import { percent } from '../../../ui/format'
import type { Column } from '../../../ui/grid'
import HoldsNothing from './HoldsNothing.vue'

/** Soft, firm, mixed, polyurethane, solid in the same places: what each gives and takes. */
type School = View<'mounts/schools'>['rows'][number]
const words = useVocabulary()
const { data, waiting } = useInstrument('mounts/schools', ref({}))
const COLUMNS: Column<School>[] = [
  { key: 'label', title: 'Mounts', head: true, show: (s) => s.label },
  { key: 'rock', title: 'Rocks', right: true, by: (s) => s.rock, show: (s) => words.show(s.rock, 'angle') },
  { key: 'sink', title: 'Sinks', right: true, mute: true, show: (s) => words.show(s.sink, 'size') },
  { key: 'mode', title: 'Roll at', right: true, mute: true, show: (s) => words.show(s.mode, 'frequency') },
  { key: 'shake', title: 'Shake passed at idle', right: true, by: (s) => s.shake, show: (s) => `${percent(s.shake)}${s.shake > 1 ? ' resonates' : s.shake > 0.5 ? ' felt' : ''}` },
  { key: 'most', title: 'Most on one', right: true, mute: true, show: (s) => words.show(s.most, 'force') },
  { key: 'stop', title: 'Of its travel', right: true, mute: true, show: (s) => `${percent(s.stop)}${s.stop > 1 ? ', on its stop' : ''}` },
]
</script>

<template>
  <section class="card pad" data-schools>
    <h2 class="label">Soft or firm, in the same places</h2>
    <template v-if="data">
      <DataTable :id="(s) => s.id" label="Schools of mounts" :columns="COLUMNS" :rows="data.rows" :marked="(s) => s.chosen" />
      <p class="mute">Cushions of each stuff chosen for an even share of the weight. Soft ones keep the shake, firm ones the gaps; polyurethane often meets idle. One solid among rubber takes all and breaks.</p>
    </template>
    <HoldsNothing v-else :waiting="waiting" />
  </section>
</template>
