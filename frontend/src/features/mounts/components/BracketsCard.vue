<script setup lang="ts">
import { ref } from 'vue'
import type { View } from '../../../api/client'
import { useInstrument } from '../../../station/useInstrument'
import { useNamed } from '../../../station/useNamed'
import { line } from '../../../stores/build'
import { useSending } from '../../../station/useSending'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import { percent } from '../../../ui/format'
import type { Column } from '../../../ui/grid'
import NamedValues from '../../../ui/NamedValues.vue'
import Unseen from '../../../ui/Unseen.vue'

/** Each bracket: what is on it, what it stands; of each kind of section the smallest sold that holds in its place. */
type Row = View<'mounts/brackets'>['rows'][number]
type Sold = Row['others'][number]
const words = useVocabulary()
const { named } = useNamed()
const { data, waiting } = useInstrument('mounts/brackets', ref({}))
const { send, trouble } = useSending()
const told = (r: Row) => [
  { label: 'On it at worst', shown: `${words.show(r.force, 'force')}, ${r.case}` },
  { label: 'At its root, of what is allowed', shown: `${words.show(r.stress, 'stress')} of ${words.show(r.allowed, 'stress')}`, over: r.stress > r.allowed },
  ...(r.life === null || r.throat === null ? [] : [{ label: 'Its weld, over a life', shown: `${percent(r.life)}; a throat of ${words.show(r.throat, 'size')} lasts`, over: r.life > 1 }]),
  ...(r.dry === null || r.oiled === null ? [] : [{ label: 'Bolts drawn to', shown: `${words.show(r.dry, 'torque')} dry, ${words.show(r.oiled, 'torque')} oiled` }]),
  ...(r.slip === null || r.opens === null ? [] : [{ label: 'Bolts: of their grip, of their pull', shown: `${percent(r.slip)}, ${percent(r.opens)}`, over: Math.max(r.slip, r.opens) > 1 }]),
  ...(r.leans === null ? [] : [{ label: 'May lean in its holes by', shown: words.show(r.leans, 'angle') }]),
]
const COLUMNS: Column<Sold>[] = [
  { key: 'label', title: 'In its place', head: true, show: (s) => s.label },
  { key: 'sizes', title: 'mm', show: (s) => s.sizes },
  { key: 'stress', title: 'At its root', right: true, mute: true, show: (s) => words.show(s.stress, 'stress') },
  { key: 'life', title: 'Weld', right: true, mute: true, show: (s) => percent(s.life) },
  { key: 'mass', title: 'Arm weighs', right: true, mute: true, show: (s) => words.show(s.mass, 'mass_small') },
  { key: 'holds', title: '', show: (s) => (s.holds ? 'holds' : 'none sold holds'), over: (s) => !s.holds },
]
const set = (r: Row, s: Sold) => send(
  line(`mounts.brackets.${r.id}.shape`, s.shape),
  ...Object.entries(s.sets).map(([name, si]) => line(`mounts.brackets.${r.id}.${name}`, `${(1000 * si).toFixed(1)} mm`)),
)
</script>

<template>
  <section class="card pad" data-brackets>
    <h2 class="label">Brackets</h2>
    <template v-if="data && (data.rows.length || data.untold.length)">
      <article v-for="r in data.rows" :key="r.id" class="one">
        <h3>{{ named(r.id, r.name) }}, {{ r.holds }}</h3>
        <NamedValues :rows="told(r)" />
        <DataTable :id="(s) => s.shape" :label="`What holds in the place of ${r.name}`" :columns="COLUMNS" :rows="r.others">
          <template #cell="{ column, row }">
            <template v-if="column.key === 'holds' && row.holds"><button class="textlink" type="button" @click="set(r, row)">Try it</button></template>
            <template v-else>{{ column.show?.(row) }}</template>
          </template>
        </DataTable>
      </article>
      <p v-if="data.untold.length" class="mute">Not known well enough yet: {{ data.untold.map((n) => n.toLowerCase()).join(', ') }}. Shape, thickness and arm begin one.</p>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <p class="mute">Shock and torque against yield with half as much again; welds over ten million small swings and a thousand hard ones, home-made ones at eight tenths. A weld’s life goes by its throat, not by the steel’s strength.</p>
    </template>
    <Unseen v-else :waiting="waiting">No bracket is stated. Under “Mounts” add one: its section, thickness and arm begin it.</Unseen>
  </section>
</template>

<style scoped>
.one {
  padding: 8px 0 12px;
  border-top: 1px solid var(--line);
}
h3 {
  font: 600 15px/1.4 var(--words);
}
</style>
