<script setup lang="ts">
import { computed, inject, ref, watch } from 'vue'
import { checkOf, ends } from '../../../station/bands'
import { plotOption, type Line } from '../../../ui/chart'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import { useInstrument } from '../../../station/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { useDuty } from '../../../station/useDuty'
import DutyPick from '../../../station/DutyPick.vue'
import FaceSplit from './FaceSplit.vue'
import Slide from '../../../ui/Slide.vue'
import Unseen from '../../../ui/Unseen.vue'

const build = useBuild()
const words = useVocabulary()
const look = inject(THEME)
const { index, duty } = useDuty('cooling')
const speed = ref<number | null>(null)
watch(index, () => (speed.value = null))
const own = computed(() => duty.value?.air_speed_m_s ?? 0)
const options = computed(() => ({ duty: index.value, air_speed: speed.value ?? own.value }))
const { data, waiting } = useInstrument('cooling/air', options)
const shownSpeed = computed({
  get: () => Math.round(words.value(speed.value ?? own.value, 'speed')),
  set: (value: number) => (speed.value = words.toSi(value, 'speed')),
})
/** Of the duty as it stands; another road speed has none. */
const carries = computed(() => {
  const check = checkOf(build.report, 'cooling', 'heat', duty.value?.id ?? '')
  const band = speed.value === null ? ends(check?.capacity_low, check?.capacity_high) : null
  return band ? `Over the duty it carries ${words.number(band[0], 'heat')} to ${words.show(band[1], 'heat')} in 90 of 100 cases.` : ''
})
const inFront = computed(() => {
  const front = data.value?.front
  if (!front || front.rise < 0.5) return ''
  return `What stands in front gives the air ${words.show(front.heat, 'heat')}: it reaches the core ${words.show(front.rise, 'temperature_difference')} warmer, at ${words.show(data.value?.air_in, 'temperature')}.`
})
const option = computed(() => {
  const air = data.value
  if (!air || look === undefined) return null
  void look.dark.value
  const points = (values: number[]): [number, number][] => air.flow.map((x, i): [number, number] => [x, values[i] ?? 0]).filter(([, y]) => y >= 0)
  const lines: Line[] = [
    { name: 'core, grille and bay', points: points(air.resists), colour: read('cooling'), at: 0.86, side: 'left' },
    { name: air.fan_alone ? `fan + ram, ${words.show(air.air_speed, 'speed')}` : `ram, ${words.show(air.air_speed, 'speed')}`, points: points(air.pushes), colour: read('brass'), at: 0.16, side: 'top' },
  ]
  if (air.fan_alone) lines.push({ name: 'fan alone', points: points(air.fan_alone), colour: read('duties'), dashed: true, at: 0.16, side: 'bottom' })
  return plotOption({
    x: air.shroud === 'none' ? 'air where the fan covers, kg/s' : 'air, kg/s', y: 'Pa', lines,
    ring: { at: [air.point.mass_flow, air.point.pressure], text: `${air.point.mass_flow.toFixed(2)} kg/s` },
  })
})
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">Air through the core: what pushes, what resists</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="option && data">
      <ChartPanel :option="option" label="Pressure over air flow: fan and ram against core, grille and bay" />
      <Slide v-model="shownSpeed" label="Road speed" :min="0" :max="Math.round(words.value(50, 'speed'))" :text="`${shownSpeed} ${words.unit('speed')}`" />
      <p class="mute">Sheds {{ words.show(data.point.heat, 'heat') }} there with the coolant at its limit; {{ words.show(data.point.velocity, 'speed_m_s') }} on the face, {{ data.mass_flow.toFixed(2) }} kg/s; {{ data.fan_off_mass_flow.toFixed(2) }} kg/s with the fan off.
        <template v-if="carries">{{ carries }}</template>
        {{ inFront }}
      </p>
      <FaceSplit v-if="data.shroud === 'none'" :zones="data.zones" />
    </template>
    <Unseen v-else :waiting="waiting">Give the core's width, height and depth, and the fan (or that there is none), to see where they meet.</Unseen>
  </section>
</template>
