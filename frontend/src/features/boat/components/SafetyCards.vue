<script setup lang="ts">
import { computed } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import PartList from '../../../station/PartList.vue'
import NamedValues from '../../../ui/NamedValues.vue'
import Unseen from '../../../ui/Unseen.vue'
import type { SafetyView } from '../logic'

/** The engine room by duty, petrol's blower, every hose that can let the sea in, what takes it out again. */
const words = useVocabulary()
const { data, waiting } = useInstrument('boat/safety', computed(() => ({})))
type Warm = SafetyView['rooms'][number]
type Hose = SafetyView['hoses'][number]
type Pump = SafetyView['pumps'][number]
const t = (v: number) => words.show(v, 'temperature')
const ROOMS = computed((): Column<Warm>[] => [
  { key: 'name', title: 'Duty', head: true, show: (r) => r.name },
  { key: 'temperature', title: 'engine room', right: true, show: (r) => t(r.temperature), over: (r) => r.temperature > (data.value?.room_most ?? 999) },
  { key: 'outside', title: 'outside', right: true, mute: true, show: (r) => t(r.outside) },
  { key: 'heat', title: 'gets', right: true, mute: true, show: (r) => words.show(r.heat, 'heat') },
  { key: 'air', title: 'air through it', right: true, mute: true, show: (r) => words.show(r.air, 'mass_flow_s') },
])
const HOSES: Column<Hose>[] = [
  { key: 'name', title: 'Hose', head: true, show: (h) => h.name },
  { key: 'bore', title: 'inside', right: true, mute: true, show: (h) => (h.bore === null ? '–' : words.show(h.bore, 'size')) },
  { key: 'grade', title: 'must be', show: (h) => h.grade },
  { key: 'clamps', title: 'clamps', right: true, show: (h) => String(h.clamps) },
  { key: 'shut', title: 'shut by', mute: true, show: (h) => h.shut },
]
const PUMPS: Column<Pump>[] = [
  { key: 'worked', title: 'Bilge pump', head: true, show: (p) => p.worked },
  { key: 'moves', title: 'moves, as piped', right: true, show: (p) => (p.moves === null ? 'not known' : words.show(p.moves, 'flow')) },
  { key: 'speed', title: 'in its hose', right: true, mute: true, show: (p) => (p.speed === null ? '–' : words.show(p.speed, 'speed_m_s')) },
]
const out = computed(() => data.value?.pumps.reduce((sum, p) => sum + (p.moves ?? 0), 0) ?? 0)
const blower = computed(() => {
  const d = data.value
  if (!d?.vapour) return []
  return [
    ...(d.blower_needed === null ? [] : [{ label: 'Blower asked of a petrol engine room this size', shown: words.show(d.blower_needed, 'air_flow') }]),
    { label: 'Blower there is', shown: d.blower === null ? 'not stated' : words.show(d.blower, 'air_flow'), over: d.blower !== null && d.blower_needed !== null && d.blower < d.blower_needed },
    { label: 'Runs before every start', shown: words.show(d.blows_first, 'time') },
    { label: 'Electrics in it ignition-protected', shown: d.ignition_protected ?? 'not stated' },
  ]
})
</script>

<template>
  <template v-if="data">
    <section class="card pad" data-room>
      <h2 class="label">Engine room</h2>
      <DataTable v-if="data.rooms.length" :id="(r) => r.duty" label="Engine room by duty" :columns="ROOMS" :rows="data.rooms" />
      <p v-else class="mute">Give the area of the engine room's walls and hull, and its vents low and high, for how warm it gets.</p>
      <p v-if="data.rooms.length" class="mute">The most of what the engine draws through it, its blower and the draught between its vents, and walls, {{ data.lining }}{{ data.lining_stated ? '' : ', taken so' }}, carry off what engine and exhaust give. Openings for its breath stand under Air.</p>
      <NamedValues v-if="blower.length" :rows="blower" />
    </section>
    <section class="card pad" data-hoses>
      <h2 class="label">What lets the sea, gas or fuel out</h2>
      <DataTable :id="(h) => h.name" label="Hoses" :columns="HOSES" :rows="data.hoses" />
      <p class="mute">Two clamps of stainless steel an end, screws opposed, on everything below the leaning waterline. For long cranking: sea cock shut, opened as it fires, water at the outlet within 15 s.</p>
    </section>
    <PartList place="boat.bilge_pumps" title="Bilge pumps" empty="An automatic one, and one for when that is not enough: what each moves free, its hose and its lift." />
    <section class="card pad" data-bilge>
      <h2 class="label">What takes it out again</h2>
      <p v-if="data.comes !== null && data.bore !== null"><strong>{{ words.show(data.comes, 'flow') }}</strong> come in through a {{ words.show(data.bore, 'size') }} hose off its fitting, {{ words.show(data.depth, 'height') }} down<template v-if="data.pumps.length">; the pumps take out {{ words.show(out, 'flow') }}</template>.</p>
      <DataTable v-if="data.pumps.length" :id="(p) => p.id" label="Bilge pumps" :columns="PUMPS" :rows="data.pumps" />
      <p v-else class="mute">State the bilge pumps: an automatic one, and one for when that is not enough. Each with its own hose, up in a loop over the leaning waterline.</p>
      <p class="mute">A tapered plug tied to each fitting. Standards and a surveyor decide.</p>
    </section>
  </template>
  <section v-else class="card pad"><Unseen :waiting="waiting">State the engine.</Unseen></section>
</template>
