<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import { ChartPanel } from '../../../ui/lazyChart'
import NamedValues from '../../../ui/NamedValues.vue'
import Slide from '../../../ui/Slide.vue'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'
import { coldSaid } from '../logic'

/** How fast it is turned over temperature, against what it starts from; where the volts go at the one picked. */
const words = useVocabulary()
const look = inject(THEME)
const picked = ref<number | null>(null)
const { data, waiting } = useInstrument('electrics/cold', computed((): Record<string, number> => (picked.value === null ? {} : { temperature: picked.value + 273.15 })))
const at = computed({ get: () => picked.value ?? Math.round((data.value?.temperature ?? 263.15) - 273.15), set: (v: number) => (picked.value = v) })
const show = (v: number, kind: string) => words.show(v, kind)
const said = computed(() => (data.value ? coldSaid(data.value, show) : ''))
const bad = computed(() => {
  const d = data.value
  return Boolean(d && ((d.trials[0]?.picked ?? 0) < d.needs || (d.resets !== null && d.pin < d.resets)))
})
const option = computed(() => {
  const d = data.value
  if (!d || look === undefined) return null
  void look.dark.value
  const x = (t: number) => Number(words.value(t, 'temperature').toFixed(1))
  const colours = ['electrics', 'mute', 'fuel'] as const
  return plotOption({
    x: `engine, oil and battery at, ${words.unit('temperature')}`, y: words.unit('speed_rpm'),
    lines: [
      ...d.trials.map((trial, i) => ({ name: trial.name, points: d.temperatures.map((t, k): [number, number] => [x(t), trial.speeds[k] ?? 0]), colour: read(colours[i] ?? 'mute'), dashed: i > 0, at: [0.94, 0.5, 0.68][i] ?? 0.5, side: (i === 1 ? 'top' : 'bottom') as 'bottom' | 'top' })),
      { name: `starts from ${show(d.needs, 'speed_rpm')}`, points: d.temperatures.map((t): [number, number] => [x(t), d.needs]), colour: read('ink'), at: 0.5, side: 'bottom' as const },
    ],
    ring: { at: [x(d.temperature), d.trials[0]?.picked ?? 0], text: show(d.trials[0]?.picked ?? 0, 'speed_rpm') },
  })
})
const values = computed(() => {
  const d = data.value
  if (!d) return []
  return [
    { label: 'Takes', shown: show(d.amps, 'current') },
    { label: 'Battery posts', shown: show(d.posts, 'voltage') },
    ...(d.resets === null ? [] : [{ label: `Engine computer, stands down under ${show(d.resets, 'voltage')}`, shown: show(d.pin, 'voltage'), over: d.pin < d.resets }]),
    { label: 'At the starter', shown: show(d.at_starter, 'voltage') },
    ...d.lost.map(([name, volts]) => ({ label: `Lost ${name}`, shown: show(Number(volts), 'voltage_drop') })),
    { label: 'The engine drags', shown: show(d.torque, 'torque') },
    { label: 'The least battery, by EN, at the coldest', shown: d.least === null ? 'none does' : show(d.least, 'current'), over: d.least === null },
  ]
})
</script>

<template>
  <section class="card pad" data-cold>
    <h2 class="label">Cranking by temperature</h2>
    <template v-if="data">
      <p role="status"><strong :class="{ over: bad }">{{ said }}</strong></p>
      <ChartPanel v-if="option" :option="option" label="Cranking speed over temperature" />
      <Slide v-model="at" label="At" :min="-40" :max="40" :text="show(at + 273.15, 'temperature')" />
      <NamedValues :rows="values" />
      <p class="mute">Measured: volts at the starter and at the battery while a helper cranks, fuel and spark off. A starter rests half a minute after ten seconds.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the battery’s cranking amps, with the standard printed beside them. Starter and leads are usual ones until you say.</Unseen>
  </section>
</template>
