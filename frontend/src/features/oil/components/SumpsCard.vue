<script setup lang="ts">
import { computed } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import NamedValues from '../../../ui/NamedValues.vue'
import Unseen from '../../../ui/Unseen.vue'
import Well from '../../../ui/Well.vue'
import type { Sumps } from '../logic'
import { useThrown } from '../useThrown'

/** Wet, with an accumulator, dry: what each covers, weighs and costs; the tank with its sight tube's marks. */
const words = useVocabulary()
const { index } = useThrown()
const { data, waiting } = useInstrument('oil/sumps', computed(() => ({ duty: index.value })))
type Sump = Sumps['sumps'][number]
const worst = (s: Sump) => {
  const fills = s.covered.map((g, i) => (g >= 3 ? 0 : (data.value?.asked[i] ?? 0) / Math.max(g, 1e-6)))
  return Math.max(...fills, 0)
}
const SHORT: Record<string, string> = { pulling: 'pull', braking: 'brake', left: 'left', right: 'right' }
const COLUMNS = computed((): Column<Sump>[] => [
  { key: 'name', title: 'Sump', head: true, show: (s) => s.name },
  ...(data.value?.ways ?? []).map((way, i) => ({ key: way, title: `${SHORT[way] ?? way}, ${(data.value?.asked[i] ?? 0).toFixed(2)} g`, right: true, show: (s: Sump) => ((s.covered[i] ?? 0) >= 3 ? 'always' : `${(s.covered[i] ?? 0).toFixed(2)} g`), over: (s: Sump) => (s.covered[i] ?? 0) < (data.value?.asked[i] ?? 0) })),
  { key: 'rides', title: 'Beyond, lasts', right: true, show: (s) => (s.rides_out === null ? '–' : words.show(s.rides_out, 'time')) },
  { key: 'depth', title: 'Below the rail', right: true, show: (s) => words.show(s.depth, 'size') },
  { key: 'mass', title: 'Adds', right: true, mute: true, show: (s) => (s.mass ? words.show(s.mass, 'mass') : '–') },
  { key: 'cost', title: 'Parts, about', right: true, mute: true, show: (s) => (s.cost_high ? `${s.cost_low}–${s.cost_high}` : '–') },
])
type Sight = Sumps['sights'][number]
const SIGHTS = computed((): Column<Sight>[] => [
  { key: 'height', title: 'Over its floor', head: true, show: (s) => words.show(s.height, 'size') },
  { key: 'volume', title: 'Holds', right: true, show: (s) => words.show(s.volume, 'volume') },
])
const tank = computed(() => {
  const d = data.value
  if (!d || d.tank_holds === null || d.in_tank === null || d.residence === null) return []
  return [
    { label: 'Tank holds', shown: words.show(d.tank_holds, 'volume') },
    { label: 'In it, running', shown: words.show(d.in_tank, 'volume') },
    { label: `Rests in it, ${words.show(d.residence_wanted, 'time')} at least`, shown: words.show(d.residence, 'time'), over: d.residence < d.residence_wanted },
    ...(d.scavenge_ratio === null ? [] : [{ label: 'Stages over the pump, 2 to 3', shown: d.scavenge_ratio.toFixed(1), over: d.scavenge_ratio < 2 }]),
  ]
})
const lower = computed(() => data.value?.sumps.find((s) => s.id === 'dry')?.lower ?? 0)
</script>

<template>
  <section class="card pad" data-sumps>
    <div class="cardhead">
      <h2 class="label">Wet, with an accumulator, or dry</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="data && data.sumps.length">
      <p v-for="s in data.sumps" :key="s.id" class="one">
        <span :class="{ strong: s.fitted }">{{ s.name }}{{ s.fitted ? ', as it is' : '' }}</span>
        <Well :fill="worst(s)" system="oil" size="long" :label="s.name" :state="worst(s) > 1 ? 'short' : 'holds'" />
      </p>
      <DataTable :id="(s) => s.id" label="Sumps beside each other" :columns="COLUMNS" :rows="data.sumps" :marked="(s) => s.fitted" />
      <p class="mute">What the duty asks stands in each column's head. An accumulator keeps oil that the pan then lacks. {{ lower > 0 ? `With a flat pan the engine may sit ${words.show(lower, 'size')} lower. ` : '' }}Prices are what such parts go for, in pounds, euros or dollars alike.</p>
    </template>
    <Unseen v-else :waiting="waiting">Give the pan's shape and size and where the pickup lies, to hold the three against each other.</Unseen>
  </section>
  <section v-if="tank.length && data" class="card pad">
    <h2 class="label">The tank</h2>
    <NamedValues :rows="tank" />
    <DataTable :id="(s) => String(s.height)" label="Marks of the sight tube" :columns="SIGHTS" :rows="data.sights" />
  </section>
</template>

<style scoped>
.one {
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
}
.strong {
  font-weight: 600;
}
@media (max-width: 720px) {
  .one {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
