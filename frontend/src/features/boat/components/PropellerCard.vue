<script setup lang="ts">
import { computed, inject } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import { ChartPanel } from '../../../ui/lazyChart'
import NamedValues from '../../../ui/NamedValues.vue'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'

/** Old shaft beside new; the propeller there is on the engine's curve; the one the handbook wishes. */
const words = useVocabulary()
const look = inject(THEME)
const { data, waiting } = useInstrument('boat/propeller', computed(() => ({})))
const rpm = (v: number) => words.show(v, 'speed_rpm')
const size = (v: number) => words.show(v, 'size')
const share = (v: number) => words.show(v, 'share')
const shafts = computed(() => {
  const d = data.value
  if (!d?.new) return []
  const said = (s: { power: number; speed: number; torque: number }) => `${words.show(s.power, 'power')} and ${words.show(s.torque, 'torque')} at ${rpm(s.speed)}`
  return [
    ...(d.old ? [{ label: 'Old shaft', shown: said(d.old) }] : []),
    { label: 'New shaft', shown: said(d.new) },
    ...(d.old ? [{ label: 'Of the old one', shown: `${share(d.new.power / d.old.power)} power, ${share(d.new.torque / d.old.torque)} torque` }] : []),
    ...(d.shaft_least === null ? [] : [{ label: d.shaft === null ? 'A shaft of at least' : `Shaft, ${size(d.shaft_least)} at least`, shown: d.shaft === null ? size(d.shaft_least) : size(d.shaft), over: d.shaft !== null && d.shaft < d.shaft_least }]),
  ]
})
const blades = computed(() => {
  const d = data.value
  if (!d) return []
  return [
    ...(d.reached === null ? [] : [{ label: `With the propeller there is, of ${rpm(d.rated)}`, shown: rpm(d.reached), over: d.reached < 0.97 * d.rated }]),
    ...(d.load === null ? [] : [{ label: 'It takes of the power at rated revs', shown: share(d.load), over: d.load > 1.06 }]),
    ...(d.repitched ? [{ label: 'Pitch with which it just reaches them', shown: d.repitched }] : []),
    ...(d.own_slip === null || d.usual_slip === null ? [] : [{ label: `Slips at top speed, ${share(d.usual_slip[0])} to ${share(d.usual_slip[1])} is usual`, shown: share(d.own_slip) }]),
    ...(d.tips === null ? [] : [{ label: `Tips, ${words.show(d.tips_most, 'speed_m_s')} before they cavitate`, shown: words.show(d.tips, 'speed_m_s'), over: d.tips > d.tips_most }]),
    ...(d.diameter === null || d.pitch === null || d.slip === null || d.speed === null ? [] : [{ label: `The handbook wishes, for ${words.show(d.speed, 'speed')} at a slip of ${share(d.slip)}`, shown: `${size(d.diameter)} × ${size(d.pitch)}` }]),
  ]
})
const option = computed(() => {
  const d = data.value
  if (!d || look === undefined) return null
  void look.dark.value
  const at = (ys: readonly number[]) => d.speeds.map((s, i): [number, number] => [s, words.value(ys[i] ?? 0, 'power')])
  return plotOption({
    x: 'engine, rev/min', y: `at the shaft, ${words.unit('power')}`,
    lines: [
      { name: 'engine gives', points: at(d.makes), colour: read('engine'), at: 0.4, side: 'top' },
      ...(d.takes ? [{ name: 'propeller takes', points: at(d.takes), colour: read('boat'), at: 0.7, side: 'bottom' as const }] : []),
    ],
    ...(d.reached === null || !d.takes ? {} : { ring: { at: [d.reached, words.value(d.takes.at(d.speeds.findIndex((s) => s >= (d.reached ?? 0))) ?? 0, 'power')] as [number, number], text: rpm(d.reached) } }),
  })
})
</script>

<template>
  <section class="card pad" data-propeller>
    <h2 class="label">Shaft and propeller</h2>
    <template v-if="data">
      <NamedValues v-if="shafts.length" :rows="shafts" />
      <p v-else class="mute">Give the marine gear's ratio; with the old engine's power, revs and ratio its propeller tells what it takes.</p>
      <NamedValues v-if="blades.length" :rows="blades" />
      <ChartPanel v-if="option && data.new" :option="option" label="What the engine gives and the propeller takes" />
      <p class="mute">The rule of a repower: power and torque at the shaft as they were, or a little more, and no more than the hull can use. What a propeller takes goes with the cube of its revs.<template v-if="data.takes && !data.by_reading"> It is taken to have let the old engine reach its rated revs.</template><template v-if="data.angle !== null"> The shaft falls {{ words.show(data.angle, 'angle') }}, the engine is tilted {{ words.show(data.tilt, 'angle') }}.</template></p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>
