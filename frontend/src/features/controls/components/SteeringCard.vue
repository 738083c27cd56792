<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import PartList from '../../../station/PartList.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import { ChartPanel } from '../../../ui/lazyChart'
import NamedValues from '../../../ui/NamedValues.vue'
import { read, THEME } from '../../../ui/theme'
import SwingLine from '../../../ui/SwingLine.vue'
import Unseen from '../../../ui/Unseen.vue'
import { steeringSaid, toeAt } from '../logic'

/** The column's turn, toe over the wheel's travel, the pump at idle. */
const words = useVocabulary()
const look = inject(THEME)
const { data, waiting } = useInstrument('controls/steering', ref({}))
const show = (v: number, kind: string) => words.show(v, kind)
const said = computed(() => (data.value ? steeringSaid(data.value, show) : ''))
const bad = computed(() => Boolean(data.value && (Math.max(0, ...data.value.bends) > data.value.bend_most || (data.value.toe.length > 0 && toeAt(data.value) > data.value.toe_most))))
const rows = computed(() => {
  const d = data.value
  if (!d) return []
  return [
    { label: 'Steered', shown: d.by },
    ...d.bends.map((b, i) => ({ label: `Column’s joint ${i + 1}, ${show(d.bend_most, 'angle')} at most`, shown: show(b, 'angle'), over: b > d.bend_most })),
    ...(d.gives === null || d.asks === null ? [] : [{ label: `Pump idling, a quick turn asks ${show(d.asks, 'flow')}`, shown: show(d.gives, 'flow'), over: d.gives < d.asks }]),
    ...(d.pressure === null ? [] : [{ label: d.relief === null ? 'Standing wheels ask' : `Standing wheels ask, relief at ${show(d.relief, 'pressure_gauge')}`, shown: show(d.pressure, 'pressure_gauge'), over: d.relief !== null && d.pressure > d.relief }]),
  ]
})
const option = computed(() => {
  const d = data.value
  if (!d?.toe.length || look === undefined) return null
  void look.dark.value
  return plotOption({
    x: `wheel up, ${words.unit('size')}`, y: `steers itself, ${words.unit('angle')}`,
    lines: [{ name: 'a wheel', points: d.travel.map((z, i): [number, number] => [Number(words.value(z, 'size').toFixed(2)), words.value(Math.abs(d.toe[i] ?? 0), 'angle')]), colour: read('controls'), at: 0.85, side: 'top' }],
  })
})
</script>

<template>
  <section class="card pad" data-steering>
    <h2 class="label">Steering</h2>
    <template v-if="data">
      <p role="status"><strong :class="{ over: bad }">{{ said }}</strong></p>
      <NamedValues :rows="rows" />
      <SwingLine v-if="data.ratio.length" colour="controls" :ratio="data.ratio" :least="0.02" :said="() => 'One turn of the wheel: the rack’s end runs ahead and behind'" :label="() => `Speed of the rack's end through one turn, ${show(data?.ripple ?? 0, 'share')} either way`" />
      <ChartPanel v-if="option" :option="option" label="What a wheel steers itself over its travel" />
      <p class="mute">A rack moved up or down steers with every bump: five millimetres matter. Altered steering keeps its collapse and 15 mm of room from lock to lock, and is inspected by somebody licensed before it goes on a road.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
  <PartList place="controls.columns" title="Column, from the wheel to the rack" empty="Each piece between two joints: how it falls and bears, its forks." />
</template>
