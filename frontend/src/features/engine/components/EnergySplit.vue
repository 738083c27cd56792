<script setup lang="ts">
import { computed } from 'vue'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { slices } from '../logic'

/** Where the fuel's energy goes in each duty, all bars to one scale. */
const build = useBuild()
const words = useVocabulary()
const rows = computed(() => {
  const figures = build.report?.systems.engine?.figures ?? {}
  const all = (build.report?.duties ?? []).map((duty) => {
    const own = figures[duty.id] ?? {}
    return { duty, own, parts: slices(own), fuel: own.fuel_power_w ?? 0 }
  })
  const most = Math.max(...all.map((r) => r.fuel), 1)
  return all.map((r) => ({ ...r, length: r.fuel / most }))
})
const legend = computed(() => rows.value[0]?.parts ?? [])
</script>

<template>
  <section class="card pad">
    <h2 class="label">Where the fuel's energy goes</h2>
    <p class="legend"><span v-for="part in legend" :key="part.name"><i :style="{ background: `var(--${part.colour})` }" />{{ part.name }}</span></p>
    <div v-for="row in rows" :key="row.duty.id" class="row">
      <div class="head">
        <span class="name">{{ row.duty.name }}</span>
        <span class="mute">{{ words.show(row.own.engine_power_w, 'power') }} at {{ words.show(row.own.engine_speed_rpm, 'speed_rpm') }} · coolant {{ words.show(row.own.heat_to_coolant_w, 'heat') }} · exhaust {{ words.show(row.own.exhaust_gas_temperature_k, 'temperature') }} ± 80</span>
      </div>
      <div class="bar" :style="{ width: `${Math.max(100 * row.length, 3)}%` }">
        <span v-for="part in row.parts" :key="part.name" :style="{ width: `${100 * part.share}%`, background: `var(--${part.colour})` }" :title="`${part.name}: ${words.show(part.watts, 'heat')}, ${Math.round(100 * part.share)} %`">
          <em v-if="row.length * part.share > 0.07">{{ Math.round(100 * part.share) }}</em>
        </span>
      </div>
    </div>
  </section>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin: 6px 0;
  font: 500 14px var(--labels);
}
.legend i {
  display: inline-block;
  width: 10px;
  height: 10px;
  margin-right: 5px;
  border-radius: 2px;
}
.row {
  padding: 5px 0;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 2px 12px;
  font-size: 14px;
  margin-bottom: 3px;
}
.name {
  font-weight: 600;
}
.bar {
  display: flex;
  height: 20px;
  border-radius: 3px;
  overflow: hidden;
}
.bar span {
  display: block;
  overflow: hidden;
}
.bar em {
  font: 600 13px/20px var(--labels);
  color: var(--card);
  padding-left: 5px;
}
</style>
