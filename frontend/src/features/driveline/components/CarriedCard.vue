<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'
import { carriedSaid, type CarriedView } from '../logic'

/** What torque comes where, and how full what carries it is. */
const words = useVocabulary()
const { data, waiting } = useInstrument('driveline/carried', ref({}))
const show = (v: number, kind: string) => words.show(v, kind)
const said = computed(() => (data.value ? carriedSaid(data.value, show) : ''))
const bad = computed(() => data.value?.loaded.some((l) => l.fill > 1) ?? false)
type Place = CarriedView['places'][number]
const PLACES: Column<Place>[] = [
  { key: 'name', title: 'On its way out', head: true, show: (p) => p.name },
  { key: 'torque', title: 'torque', right: true, show: (p) => show(p.torque, 'torque') },
  { key: 'words', title: '', mute: true, show: (p) => p.words },
]
const rows = computed(() => [...(data.value?.loaded ?? [])].sort((a, b) => b.fill - a.fill))
const most = computed(() => Math.max(1.25, ...rows.value.map((r) => Math.min(r.fill, 2))))
const width = (v: number) => `${(100 * Math.min(v, most.value)) / most.value}%`
</script>

<template>
  <section class="card pad" data-carried>
    <h2 class="label">What carries the torque</h2>
    <template v-if="data">
      <p role="status"><strong :class="{ over: bad }">{{ said }}</strong></p>
      <ul v-if="rows.length" class="bars">
        <li v-for="r in rows" :key="r.id">
          <span>{{ r.name }}</span>
          <span class="glass" role="img" :aria-label="`${show(r.asked, r.kind)} of ${show(r.stands, r.kind)}`">
            <span class="level" :class="{ past: r.fill > 1 }" :style="{ width: width(r.fill) }" />
            <span class="brim" :style="{ left: width(1) }" />
          </span>
          <span class="figure"><b>{{ show(r.asked, r.kind) }}</b> of {{ show(r.stands, r.kind) }}</span>
        </li>
      </ul>
      <DataTable :id="(p) => p.name" label="Torque on its way out" :columns="PLACES" :rows="data.places" />
      <p class="mute">{{ data.capped ? 'The tyres let go before the engine’s torque is all there: more power asks no more behind the gearbox, more grip does.' : 'The tyres hold all of it: what is behind the gearbox goes with the power.' }} Grip, weight on the wheels and what a clutch let go does stand under Mounts; how far each thing reaches stands on the bench.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>

<style scoped>
.bars {
  margin: 0 0 12px;
  padding: 0;
  list-style: none;
}
.bars li {
  display: grid;
  grid-template-columns: minmax(120px, 13em) 1fr minmax(110px, auto);
  gap: 10px;
  align-items: center;
  padding: 4px 0;
}
.glass {
  position: relative;
  height: 14px;
  background: var(--glass);
  border: 1px solid var(--line);
}
.level {
  position: absolute;
  inset: 0 auto 0 0;
  background: color-mix(in oklab, var(--driveline) 70%, var(--card));
}
.level.past {
  background: var(--over);
}
.brim {
  position: absolute;
  top: -3px;
  bottom: -3px;
  width: 2px;
  background: var(--ink);
}
.figure {
  text-align: right;
}
@media (max-width: 600px) {
  .bars li {
    grid-template-columns: 1fr auto;
  }
  .bars .glass {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
