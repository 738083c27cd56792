<script setup lang="ts">
import { computed, inject } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import { ChartPanel } from '../../../ui/lazyChart'
import NamedValues from '../../../ui/NamedValues.vue'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'
import { useHardest } from '../useHardest'

/** A boosted charge: how hot it leaves the compressor, what the cooler does, what pipes cost by their bore. */
const words = useVocabulary()
const look = inject(THEME)
const { index } = useHardest()
const { data, waiting } = useInstrument('air/intake', computed(() => ({ duty: index.value })))
const charge = computed(() => data.value?.charge ?? null)
const rows = computed(() => {
  const c = charge.value
  if (!c) return []
  return [
    { label: 'Out of the compressor', shown: `${words.show(c.hot, 'temperature')} at ${words.show(c.pressure, 'pressure_gauge')} over outside` },
    { label: c.by_core ? `Behind the cooler, by its own core: ${words.show(c.effectiveness, 'share')}` : `Behind the cooler, ${words.show(c.effectiveness, 'share')} as stated or taken`, shown: words.show(c.cooled, 'temperature') },
    ...(c.speed === null || c.mach === null ? [] : [{ label: 'In the hot pipe', shown: `${words.show(c.speed, 'speed_m_s')}, Mach ${c.mach.toFixed(2)}`, over: c.mach > 0.3 }]),
    ...(c.lost === null ? [] : [{ label: 'Pipes and cooler take', shown: words.show(c.lost, 'pressure_difference') }]),
  ]
})
const option = computed(() => {
  const c = charge.value
  if (!c || look === undefined) return null
  void look.dark.value
  const at = (v: number): [number, number][] => c.bores.map((b) => [words.value(b, 'size'), words.value(v, 'speed_m_s')])
  return plotOption({
    x: `pipe inside, ${words.unit('size')}`, y: words.unit('speed_m_s'),
    lines: [
      { name: 'hot charge', points: c.bores.map((b, i): [number, number] => [words.value(b, 'size'), words.value(c.speeds[i] ?? 0, 'speed_m_s')]), colour: read('air'), at: 0.4, side: 'top' },
      { name: 'wished for', points: at(c.wanted), colour: read('mute'), dashed: true, at: 0.85, side: 'top' },
    ],
  })
})
</script>

<template>
  <section class="card pad" data-charge>
    <div class="cardhead">
      <h2 class="label">The charge</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="charge">
      <NamedValues :rows="rows" />
      <ChartPanel v-if="option" :option="option" label="Speed of the charge by the pipe's bore" />
      <p class="mute">A charge cooler's metal takes up the first five to eight seconds of a pull. One that stands ahead of the radiator is worked by its own core under Cooling.</p>
    </template>
    <p v-else-if="data" class="mute">Nothing boosts this engine.</p>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>
