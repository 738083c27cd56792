<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { plotOption } from '../../../ui/chart'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'

const words = useVocabulary()
const look = inject(THEME)
const { data } = useInstrument('engine/curves', ref({}))
const option = computed(() => {
  const sweep = data.value
  if (!sweep || look === undefined) return null
  const points = (values: number[], kind: string): [number, number][] => sweep.speed.map((n, i) => [n, words.value(values[i] ?? 0, kind)])
  void look.dark.value // plots take their colours from the theme that is on
  return plotOption({
    x: 'rpm', y: words.unit('power'), y2: words.unit('torque'),
    lines: [
      { name: 'power', points: points(sweep.power, 'power'), colour: read('engine'), at: 0.72, side: 'top' },
      { name: 'heat to coolant', points: points(sweep.heat_to_coolant, 'power'), colour: read('cooling'), at: 0.85, side: 'bottom' },
      { name: 'torque', points: points(sweep.torque, 'torque'), colour: read('brass'), dashed: true, axis: 1, at: 0.3, side: 'top' },
    ],
  })
})
</script>

<template>
  <section class="card pad">
    <h2 class="label">Full load over speed, at the power wanted</h2>
    <ChartPanel v-if="option" :option="option" label="Power, torque and heat to coolant over engine speed" />
    <p v-else class="mute">Give fuel, size, power and speed to see it.</p>
  </section>
</template>
