<script setup lang="ts">
import { computed } from 'vue'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'

/** Every duty's answers in one table: heat made and carried, the weather it holds to both ways, what it settles at. */
const build = useBuild()
const words = useVocabulary()
const EVER = { hot: 348.15, cold: 224 }
interface Answer { id: string; name: string; over: boolean; heat: string; hot: string; boil: string; cold: string; settles: string; fan: string }
const COLUMNS: Column<Answer>[] = [
  { key: 'name', title: 'Duty', head: true, show: (r) => r.name },
  { key: 'heat', title: 'Makes of what it carries', show: (r) => r.heat, over: (r) => r.over },
  { key: 'hot', title: 'Holds to', show: (r) => r.hot, over: (r) => r.over },
  { key: 'boil', title: 'Boils at', show: (r) => r.boil },
  { key: 'cold', title: 'Runs cold under', show: (r) => r.cold },
  { key: 'settles', title: 'Ends at', show: (r) => r.settles },
  { key: 'fan', title: "Fan's time and draw", show: (r) => r.fan },
]
const rows = computed<Answer[]>(() => (build.report?.duties ?? []).flatMap((duty) => {
  const f = build.report?.systems.cooling?.figures[duty.id]
  if (!f || typeof f.heat_carried_w !== 'number') return []
  const needs = f.heat_made_w ?? 0
  const hot = f.limiting_ambient_k ?? 0
  const cold = f.overcooled_ambient_k ?? 0
  return [{
    id: duty.id,
    name: duty.name,
    over: needs > f.heat_carried_w,
    heat: `${words.number(needs, 'heat')} of ${words.show(Math.max(f.heat_carried_w, 0), 'heat')}`,
    hot: hot >= EVER.hot ? 'any weather' : words.show(hot, 'temperature'),
    // A duty over before it settles has no weather it boils in.
    boil: Math.abs((f.coolant_out_k ?? 0) - (f.end_of_duty_k ?? 0)) < 5 ? (f.air_to_boil_k ?? 0) >= EVER.hot ? 'any weather' : words.show(f.air_to_boil_k, 'temperature') : '–',
    cold: cold <= EVER.cold ? 'any cold' : words.show(cold, 'temperature'),
    settles: words.show(f.end_of_duty_k, 'temperature'),
    fan: f.fan_power_w ? `${Math.round(100 * (f.fan_share ?? 0))} %, ${Math.round(f.fan_power_w)} W` : 'none',
  }]
}))
</script>

<template>
  <section class="card pad">
    <h2 class="label">Every duty's answers</h2>
    <DataTable v-if="rows.length" :id="(r) => r.id" label="Every duty's answers" :columns="COLUMNS" :rows="rows" />
    <p v-else class="mute">Give the core and the fan to see what each duty comes to.</p>
    <p v-if="rows.length" class="mute">Air outside: where the coolant just meets its limit; where it boils, if the duty lasts that long; under which it stays below its thermostat with the heater on.</p>
  </section>
</template>
