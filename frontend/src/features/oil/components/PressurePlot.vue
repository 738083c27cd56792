<script setup lang="ts">
import { computed, inject } from 'vue'
import { checkOf, ends } from '../../../station/bands'
import { plotOption } from '../../../ui/chart'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import type { PressureCurves } from '../logic'
import Unseen from '../../../ui/Unseen.vue'

/** Oil pressure over engine speed, cold and as hot as the duty makes it, against the least wanted. */
const props = defineProps<{ data: PressureCurves | null; duty: string }>()
const build = useBuild()
const words = useVocabulary()
const look = inject(THEME)
const check = computed(() => checkOf(build.report, 'oil', 'oil_pressure', props.duty))
const band = computed(() => ends(check.value?.capacity_low, check.value?.capacity_high)?.map((p) => words.value(p, 'pressure_gauge')) as [number, number] | undefined)
const option = computed(() => {
  const data = props.data
  if (!data || look === undefined) return null
  void look.dark.value
  const line = (values: number[]) => values.map((p, i): [number, number] => [words.value(data.speed[i] ?? 0, 'speed_rpm'), words.value(p, 'pressure_gauge')])
  return plotOption({
    x: words.unit('speed_rpm'), y: words.unit('pressure_gauge'),
    lines: [
      { name: `hot, ${words.show(data.hot_temperature, 'temperature')}`, points: line(data.hot), colour: read('oil'), at: 0.55, side: 'left' },
      { name: `cold, ${words.show(data.cold_temperature, 'temperature')}`, points: line(data.cold), colour: read('ink'), at: 0.25, side: 'top' },
      ...(data.least ? [{ name: 'least wanted', points: line(data.least), colour: read('over'), at: 0.7, side: 'right' as const, dashed: true }] : []),
    ],
    ring: check.value?.capacity ? { at: [words.value(data.at, 'speed_rpm'), words.value(check.value.capacity, 'pressure_gauge')], text: words.show(check.value.capacity, 'pressure_gauge'), y: band.value } : undefined,
    mark: { x: words.value(data.at, 'speed_rpm'), text: 'duty', colour: read('brass') },
  })
})
const suction = computed(() => {
  if (!props.data) return ''
  const { cold_temperature: cold, cold_speed: up, speed } = props.data
  const all = up >= 0.999 * (speed[speed.length - 1] ?? 0)
  return `At ${words.show(cold, 'temperature')} the pickup passes all the pump asks ${all ? 'at any speed' : `up to ${words.show(up, 'speed_rpm')}: stay below until it warms`}.`
})
</script>

<template>
  <section class="card pad">
    <h2 class="label">Oil pressure over speed</h2>
    <template v-if="data && option">
      <ChartPanel :option="option" label="Oil pressure over engine speed: cold, hot and the least wanted" />
      <p class="mute">{{ suction }}</p>
    </template>
    <Unseen v-else>Read the gauge once with the oil at 100 °C, below the relief, and give pressure and speed.</Unseen>
  </section>
</template>

<style scoped>
.empty {
  padding: 28px 0;
}
</style>
