<script setup lang="ts">
import { computed, defineAsyncComponent, inject } from 'vue'
import { checkOf, ends } from '../../../shared/bands'
import { plotOption } from '../../../shared/chart'
import { read, THEME } from '../../../shared/theme'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import type { FuelInstrument } from '../logic'

/** What the pump gives against what the rail and the line ask; the volts are dragged. */
const props = defineProps<{ data: FuelInstrument; duty: string }>()
const voltage = defineModel<number | null>('voltage', { required: true })
const ChartPanel = defineAsyncComponent(() => import('../../../shared/ChartPanel.vue'))
const build = useBuild()
const words = useVocabulary()
const look = inject(THEME)
const electric = computed(() => (props.data.current ?? 0) > 0)
const volts = computed({ get: () => Math.round(10 * (voltage.value ?? props.data.voltage ?? 13.5)) / 10, set: (value: number) => (voltage.value = value) })
const check = computed(() => checkOf(build.report, 'fuel', 'pump_flow', props.duty))
const flows = (low: number | null | undefined, high: number | null | undefined) => ends(low, high)?.map((q) => words.value(q, 'flow_fuel')) as [number, number] | undefined
const option = computed(() => {
  const { flow, resists, pump, point } = props.data
  if (!flow || !resists || !pump || !point || look === undefined) return null
  void look.dark.value
  const scale = (q: number, p: number): [number, number] => [words.value(q, 'flow_fuel'), words.value(p, 'pressure_gauge')]
  return plotOption({
    x: words.unit('flow_fuel'), y: words.unit('pressure_gauge'),
    lines: [
      { name: 'rail and line ask', points: flow.map((q, i) => scale(q, resists[i] ?? 0)), colour: read('fuel'), at: 0.14, side: 'top' },
      { name: 'pump gives', points: pump.map(([q, p]) => scale(q, p)).sort((a, b) => a[0] - b[0]), colour: read('ink'), at: 0.92, side: 'left' },
    ],
    ring: { at: scale(point.flow, point.pressure), text: words.show(point.flow, 'flow_fuel'), x: voltage.value === null ? flows(check.value?.capacity_low, check.value?.capacity_high) : null },
    mark: { x: words.value(props.data.asked, 'flow_fuel'), text: 'asked', colour: read('brass'), band: flows(check.value?.demand_low, check.value?.demand_high) },
  })
})
</script>

<template>
  <section class="card pad">
    <h2 class="label">Pump against rail and line</h2>
    <template v-if="option">
      <ChartPanel :option="option" label="Fuel pressure over flow: pump curve against rail and line, with the flow asked" />
      <div v-if="electric" class="drag">
        <span class="label">Volts at the pump</span>
        <input v-model.number="volts" type="range" min="8" max="15" step="0.1" aria-label="Volts at the pump" :aria-valuetext="`${volts} V`" />
        <span class="figure">{{ volts }} V</span>
        <button v-if="voltage !== null" class="textlink" type="button" @click="voltage = null">as wired</button>
      </div>
    </template>
    <p v-else class="mute empty">Give the pump's flow and the pressure it is rated at to see what it really delivers.</p>
  </section>
</template>

<style scoped>
.empty {
  padding: 28px 0;
}
</style>
