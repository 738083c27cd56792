<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { plotOption } from '../../../ui/chart'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { minutes } from '../logic'
import { useDuty } from '../../../station/useDuty'
import DutyPick from '../../../station/DutyPick.vue'
import Segments from '../../../ui/Segments.vue'
import { optionsOf } from '../../../ui/options'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import type { Schemas } from '../../../api/client'
import Unseen from '../../../ui/Unseen.vue'

/** A duty through time: as it goes, from cold, switched off hot; and how long there is once something breaks. */
const CURVES = { trace: 'as it goes', warm_up: 'from cold', soak: 'switched off hot' } as const
const words = useVocabulary()
const look = inject(THEME)
const { index } = useDuty('cooling')
const which = ref<keyof typeof CURVES>('trace')
const options = computed(() => ({ duty: index.value }))
const { data, waiting } = useInstrument('cooling/time', options)
const course = data
const option = computed(() => {
  if (!course.value || look === undefined) return null
  void look.dark.value
  const curve = course.value[which.value]
  const long = (curve.time.at(-1) ?? 0) > 240
  const x = (t: number) => (long ? t / 60 : t)
  const at = (values: number[]): [number, number][] => curve.time.map((t, i): [number, number] => [x(t), words.value(values[i] ?? 0, 'temperature')])
  const end = x(curve.time.at(-1) ?? 1)
  const flat = (k: number) => [0, 0.1, 0.5, 1].map((share): [number, number] => [share * end, words.value(k, 'temperature')])
  const plot = plotOption({
    x: long ? 'minutes' : 'seconds', y: words.unit('temperature'),
    lines: [
      { name: 'coolant', points: at(curve.coolant), colour: read('cooling'), at: 0.72, side: 'bottom' },
      { name: 'metal', points: at(curve.metal), colour: read('duties'), dashed: true, at: 0.5, side: 'top' },
      { name: 'limit', points: flat(course.value.limit), colour: read('over'), at: 0.34, side: 'top' },
      { name: 'thermostat', points: flat(course.value.thermostat), colour: read('mute'), dashed: true, at: 0.34, side: 'bottom' },
    ],
  }) as { yAxis: Record<string, unknown> }
  return { ...plot, yAxis: { ...plot.yAxis, min: undefined, scale: true } }
})
const said = computed(() => {
  const found = course.value
  if (!found) return ''
  const last = words.show(found.trace.coolant.at(-1), 'temperature')
  if (which.value === 'trace') return `Ends at ${last} after ${minutes(found.trace.time.at(-1) ?? 0)}; the fan comes on ${found.fan_starts === 1 ? 'once' : `${found.fan_starts} times`}.`
  if (which.value === 'soak') return `Switched off then, with pump and fan standing, the coolant rises to ${words.show(found.soak_peak, 'temperature')} from the metal's heat; it boils at ${words.show(found.boiling, 'temperature')}.`
  return found.to_thermostat === null ? `From cold it does not reach its thermostat in half an hour of this duty.` : `From cold the thermostat opens after ${minutes(found.to_thermostat)} of this duty.`
})
const FAILS: Column<Schemas['FailureEntry']>[] = [
  { key: 'name', title: 'What breaks', head: true, show: (r) => r.name },
  { key: 'limit', title: 'to the limit', show: (r) => until(r.to_limit) },
  { key: 'boil', title: 'to boiling', show: (r) => until(r.to_boil) },
]
const until = (seconds: number | null) => (seconds === null ? 'not within 30 min' : seconds < 1 ? 'over it already' : minutes(seconds))
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">Through time</h2>
      <span>
        <Segments v-model="which" label="Which curve" :options="optionsOf(CURVES)" />
        <DutyPick v-model="index" />
      </span>
    </div>
    <template v-if="option && course">
      <ChartPanel :option="option" :label="`Coolant and metal over time, ${CURVES[which]}`" />
      <p>{{ said }}</p>
      <template v-if="course.failures.length">
        <h3 class="label">If it breaks at the end of that</h3>
        <DataTable :id="(r) => r.id" label="If it breaks at the end of that" :columns="FAILS" :rows="course.failures" />
      </template>
      <p class="mute">Two lumps, metal and coolant, with the thermostat and the fan as they switch; the duty's heat held. A hot stop: do not open the cap, let it stand with the bonnet open.</p>
    </template>
    <Unseen v-else :waiting="waiting">Give the core's width, height and depth, and the fan (or that there is none), to follow the coolant through time.</Unseen>
  </section>
</template>

<style scoped>
caption {
  text-align: left;
}
</style>
