<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { checkOf, ends } from '../../../station/bands'
import { plotOption, type Line } from '../../../ui/chart'
import DutyPick from '../../../station/DutyPick.vue'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import { useDuty } from '../../../station/useDuty'
import { useInstrument } from '../../../station/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import CatchCard from './CatchCard.vue'

/** What the pumps give against what rail and line ask; the volts are dragged; idle beside full load. */
const build = useBuild()
const words = useVocabulary()
const look = inject(THEME)
const { index, duty } = useDuty('fuel')
const voltage = ref<number | null>(null)
const options = computed(() => ({ duty: index.value, ...(voltage.value === null ? {} : { voltage: voltage.value }) }))
const { data, offered } = useInstrument('fuel/pumps', options)
const found = data
const electric = computed(() => found.value?.drive === 'electric')
const volts = computed({ get: () => Math.round(10 * (voltage.value ?? found.value?.voltage ?? 13.5)) / 10, set: (value: number) => (voltage.value = value) })
const check = computed(() => checkOf(build.report, 'fuel', 'pump_flow', duty.value?.id ?? ''))
const flows = (low: number | null | undefined, high: number | null | undefined) => ends(low, high)?.map((q) => words.value(q, 'flow_fuel')) as [number, number] | undefined
const option = computed(() => {
  if (!found.value || look === undefined) return null
  void look.dark.value
  const { flow, resists, pumps, point, asked } = found.value
  const scale = (q: number, p: number): [number, number] => [words.value(q, 'flow_fuel'), words.value(p, 'pressure_gauge')]
  const lines: Line[] = [
    { name: 'rail and line ask', points: flow.map((q, i) => scale(q, resists[i] ?? 0)), colour: read('fuel'), at: 0.14, side: 'top' },
    ...pumps.map((p, i): Line => ({ name: p.name, points: p.points.map(([q, y]) => scale(q ?? 0, y ?? 0)), colour: read('ink'), dashed: i > 0, at: i > 0 ? 0.6 : 0.88, side: 'left' })),
  ]
  return plotOption({
    x: words.unit('flow_fuel'), y: words.unit('pressure_gauge'), lines,
    ring: { at: scale(point.flow, point.pressure), text: words.show(point.flow, 'flow_fuel'), x: voltage.value === null ? flows(check.value?.capacity_low, check.value?.capacity_high) : null },
    mark: { x: words.value(asked, 'flow_fuel'), text: 'asked', colour: read('brass'), band: flows(check.value?.demand_low, check.value?.demand_high) },
  })
})
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">Pump against rail and line</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="option && found">
      <ChartPanel :option="option" label="Fuel pressure over flow: pump curve against rail and line, with the flow asked" />
      <div v-if="electric" class="drag">
        <span class="label">Volts at the pump</span>
        <input v-model.number="volts" type="range" min="8" max="15" step="0.1" aria-label="Volts at the pump" :aria-valuetext="`${volts} V`" />
        <span class="figure">{{ volts }} V</span>
        <button v-if="voltage !== null" class="textlink" type="button" @click="voltage = null">as wired</button>
      </div>
      <div class="scroll" tabindex="0" role="region" aria-label="Working points"><table class="rows">
        <thead><tr><th scope="col">Engine</th><th scope="col">takes</th><th scope="col">through the pump</th><th scope="col">goes back</th><th scope="col">across the pump</th><th scope="col">at the engine</th><th v-if="electric" scope="col">at its terminals</th></tr></thead>
        <tbody>
          <tr v-for="state in found.states" :key="state.name">
            <th scope="row">{{ state.name }}</th>
            <td>{{ words.show(state.taken, 'flow_fuel') }}</td>
            <td>{{ words.show(state.through, 'flow_fuel') }}</td>
            <td>{{ words.show(state.returned, 'flow_fuel') }}</td>
            <td>{{ words.show(state.pressure, 'pressure_difference') }}</td>
            <td>{{ words.show(state.rail, 'pressure_gauge') }}</td>
            <td v-if="electric">{{ words.show(state.volts, 'voltage') }}, {{ words.show(state.amps, 'current') }}</td>
          </tr>
        </tbody>
      </table></div>
    </template>
    <p v-else-if="data" class="mute empty">Give the pump's flow and the pressure it is rated at to see what it really delivers.</p>
  </section>
  <CatchCard :caught="found?.caught ?? null" :offered="offered" />
</template>

<style scoped>
.empty {
  padding: 28px 0;
}
.scroll {
  overflow-x: auto;
}
tbody th {
  white-space: nowrap;
}
</style>
