<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import NamedValues from '../../../ui/NamedValues.vue'
import Unseen from '../../../ui/Unseen.vue'
import type { SizesView } from '../logic'

/** What each tube costs in power, mass and room; the rules of thumb beside it; the ways to lay the run; primaries. */
const words = useVocabulary()
const { data, waiting } = useInstrument('exhaust/sizes', ref({}))
type Size = SizesView['sizes'][number]
type Way = SizesView['layouts'][number]
const power = (v: number) => words.show(v, 'power')
const SIZES = computed((): Column<Size>[] => [
  { key: 'tube', title: data.value?.pipes === 2 ? 'Two tubes of' : 'Tube', head: true, show: (s) => `${words.show(s.tube, 'size')}${s.advised ? ' ←' : ''}${s.fitted ? ', as it is' : ''}` },
  { key: 'cost', title: 'costs', right: true, show: (s) => power(s.cost), by: (s) => s.cost },
  { key: 'gain', title: 'next one gives back', right: true, show: (s) => (s.gain > 0 ? power(s.gain) : '–') },
  { key: 'back', title: 'back pressure', right: true, mute: true, show: (s) => words.show(s.back_pressure, 'pressure_difference') },
  { key: 'mean', title: `over its time, ${words.show(data.value?.at_full ?? 0, 'share')} at full`, right: true, mute: true, show: (s) => power(s.cost_mean) },
  { key: 'mass', title: 'weighs', right: true, mute: true, show: (s) => words.show(s.mass, 'mass'), by: (s) => s.mass },
  ...(data.value?.pipes === 2 ? [{ key: 'across', title: 'across', right: true, mute: true, show: (s: Size) => words.show(s.across, 'size') }] : []),
  { key: 'speed', title: 'gas', right: true, mute: true, show: (s) => words.show(s.speed, 'speed_m_s') },
])
const WAYS = computed((): Column<Way>[] => [
  { key: 'label', title: 'Laid as', head: true, show: (w) => `${w.label}${w.fitted ? ', as it is' : ''}` },
  { key: 'cost', title: 'costs', right: true, show: (w) => power(w.cost), by: (w) => w.cost },
  { key: 'mass', title: 'weighs', right: true, show: (w) => words.show(w.mass, 'mass'), by: (w) => w.mass },
  { key: 'higher', title: 'hangs', right: true, show: (w) => (Math.abs(w.higher) < 0.0005 ? 'as now' : `${words.show(Math.abs(w.higher), 'size')} ${w.higher > 0 ? 'higher' : 'lower'}`) },
  { key: 'noise', title: 'heard', mute: true, show: (w) => w.noise },
])
const rules = computed(() => data.value?.rules.map((r) => ({ label: r.name, shown: `${words.show(r.tube, 'size')}${r.cost === null ? ', which does not serve' : `, which costs ${power(r.cost)}`}` })) ?? [])
const primaries = computed(() => {
  const p = data.value?.primaries
  if (!p) return []
  const size = (v: number) => words.show(v, 'size')
  return [
    { label: `Bore inside, gas at ${words.show(p.wanted_speed, 'speed_m_s')}`, shown: size(p.bore) },
    { label: 'Bore inside by the old rule', shown: size(p.by_rule) },
    { label: 'Length that helps at rated speed, give or take a fifth', shown: size(p.length) },
    { label: 'Collector, two primaries\' area', shown: size(p.collector) },
    ...(p.fitted === null ? [] : [{ label: 'Fitted', shown: `${size(p.fitted)}${p.fitted_length === null ? '' : ` × ${size(p.fitted_length)}`}${p.speed === null ? '' : `, gas at ${words.show(p.speed, 'speed_m_s')}`}` }]),
  ]
})
const kept = computed(() => data.value?.sizes.find((s) => s.advised))
</script>

<template>
  <section class="card pad" data-sizes>
    <h2 class="label">What each size costs</h2>
    <template v-if="data && data.sizes.length">
      <p v-if="kept"><strong>{{ data.pipes === 2 ? 'Two tubes of ' : '' }}{{ words.show(kept.tube, 'size') }}</strong> outside costs {{ power(kept.cost) }} of {{ power(data.power) }}; the next size would give back {{ power(kept.gain) }}, under one part in a hundred.</p>
      <DataTable :id="(s) => String(s.tube)" label="Tube sizes" :columns="SIZES" :rows="data.sizes" :marked="(s) => s.advised" />
      <p class="mute">No red line: back pressure costs, up to where nothing serves.<template v-if="data.length_taken !== null"> Length taken as {{ words.show(data.length_taken, 'distance') }}: state it.</template><template v-if="!data.stated"> How much of its time it runs at full load is taken by the kind of machine: state it.</template></p>
      <h2 class="label more">What rules of thumb would say</h2>
      <NamedValues :rows="rules" />
    </template>
    <Unseen v-else :waiting="waiting">State the engine's power and how its pipe is laid.</Unseen>
  </section>
  <section v-if="data?.layouts.length" class="card pad" data-layouts>
    <h2 class="label">One pipe, two, out at the side</h2>
    <DataTable :id="(w) => w.id" label="Ways to lay it" :columns="WAYS" :rows="data.layouts" :marked="(w) => w.fitted" />
    <p class="mute">The same tube and pieces each way.<template v-if="data.form > 1.02"> One bank's pulses lose {{ data.form.toFixed(2) }} times what an even flow would, up to the crossover or the merge.</template> How loud is a word, no measure: local rules decide.</p>
  </section>
  <section v-if="primaries.length" class="card pad" data-primaries>
    <h2 class="label">Primaries and collector</h2>
    <NamedValues :rows="primaries" />
  </section>
</template>

<style scoped>
.more {
  margin-top: 12px;
}
</style>
