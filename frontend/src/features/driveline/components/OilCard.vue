<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import NamedValues from '../../../ui/NamedValues.vue'
import Unseen from '../../../ui/Unseen.vue'
import type { OilView } from '../logic'

/** The gearbox's oil in every duty, and the cooler that keeps it. */
const words = useVocabulary()
const { data, waiting } = useInstrument('driveline/oil', ref({}))
const show = (v: number, kind: string) => words.show(v, kind)
type Row = OilView['duties'][number]
const COLUMNS: Column<Row>[] = [
  { key: 'name', title: 'Duty', head: true, show: (r) => r.name },
  { key: 'heat', title: 'heat', right: true, show: (r) => show(r.heat, 'heat') },
  { key: 'settles', title: 'settles at', right: true, show: (r) => show(r.settles, 'temperature'), over: (r) => r.settles > (data.value?.most ?? Infinity) },
  { key: 'asks', title: 'cooler that keeps it', right: true, show: (r) => (r.asks === null ? 'none so cooled' : r.asks <= 0 ? 'none' : show(r.asks, 'conductance')) },
]
const worst = computed(() => [...(data.value?.duties ?? [])].sort((a, b) => b.settles - a.settles)[0])
const values = computed(() => {
  const d = data.value
  if (!d) return []
  return [
    d.cooler === 'none' ? { label: 'Cooler', shown: 'none' } : { label: `Cooler: ${d.cooler}`, shown: d.gives === null ? 'not stated' : show(d.gives, 'conductance') },
    { label: 'Its case gives', shown: show(d.case, 'conductance') },
    ...(d.drop === null ? [] : [{ label: 'Lost in its lines, warm', shown: show(d.drop, 'pressure_difference'), over: d.drop > 100e3 }]),
  ]
})
</script>

<template>
  <section class="card pad" data-box-oil>
    <h2 class="label">The gearbox’s oil</h2>
    <template v-if="data">
      <p v-if="worst" role="status"><strong :class="{ over: worst.settles > data.most && data.gives !== null }">{{ worst.settles > data.most ? `${worst.name}, for good: it would settle at ${show(worst.settles, 'temperature')}; ${show(data.most, 'temperature')} is kept.` : `It stays under ${show(data.most, 'temperature')}: ${show(worst.settles, 'temperature')} at most, on ${worst.name.toLowerCase()}.` }}</strong></p>
      <DataTable :id="(r) => r.name" label="The gearbox's oil by duty" :columns="COLUMNS" :rows="data.duties" />
      <NamedValues :rows="values" />
      <p class="mute">Heat as the gearbox and a slipping converter make it in each duty. Settled, were the duty to last; an automatic that tows wants a core in the air behind the radiator’s own.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>
