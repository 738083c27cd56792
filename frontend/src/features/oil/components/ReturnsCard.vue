<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { ChartPanel } from '../../../ui/lazyChart'
import NamedValues from '../../../ui/NamedValues.vue'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'
import type { Returns } from '../logic'

/** What comes back to the pan over the oil's temperature, and what blows by, through which hose. */
const words = useVocabulary()
const look = inject(THEME)
const { data, waiting } = useInstrument('oil/returns', ref({}))
const option = computed(() => {
  const d = data.value
  if (!d || d.drains.length === 0 || look === undefined) return null
  void look.dark.value
  const t = d.temperature.map((k) => words.value(k, 'temperature'))
  return plotOption({
    x: words.unit('temperature'), y: words.unit('flow'),
    lines: d.drains.flatMap((drain, i) => [
      { name: `${drain.name} lets down`, points: drain.flow.map((q, k): [number, number] => [t[k] ?? 0, words.value(q, 'flow')]), colour: i ? read('mute') : read('oil'), at: 0.7, side: 'left' as const },
      { name: `comes to the ${drain.name.toLowerCase()}`, points: t.map((x): [number, number] => [x, words.value(drain.comes, 'flow')]), colour: read('over'), at: 0.15 + 0.2 * i, side: 'top' as const, dashed: true },
    ]),
  })
})
type Hose = Returns['hoses'][number]
const HOSES = computed((): Column<Hose>[] => [
  { key: 'bore', title: 'Hose', head: true, show: (h) => words.show(h.bore, 'size') },
  { key: 'new', title: 'New rings', right: true, mute: true, show: (h) => words.show(h.new, 'pressure_small') },
  { key: 'worn', title: 'Worn rings', right: true, show: (h) => words.show(h.worn, 'pressure_small'), over: (h) => h.worn > (data.value?.most ?? Infinity) },
])
const gas = computed(() => {
  const d = data.value
  if (!d) return []
  return [
    { label: d.measured ? 'Blow-by, measured' : 'Blow-by at full load, new and worn', shown: d.measured ? words.show(d.blow_by, 'flow') : `${words.show(d.blow_by, 'flow')}, ${words.show(d.blow_by_worn, 'flow')}` },
    ...(d.can_speed === null ? [] : [{ label: 'Gas rises in the catch can at', shown: words.show(d.can_speed, 'speed_m_s'), over: d.can_speed > 0.4 }]),
  ]
})
const near = computed(() => data.value?.hoses.filter((h) => h.worn < 60 * (data.value?.most ?? 0)).slice(-7) ?? [])
const head = computed(() => data.value?.drains.find((d) => d.name === 'Head')?.from_temperature ?? null)
const thrown = computed(() => {
  const d = data.value
  if (!d || d.head_left === null || d.head_right === null) return ''
  const say = (g: number) => (g >= 3 ? 'never' : `from ${g.toFixed(2)} g`)
  return `Thrown aside, the returns stand dry ${say(d.head_left)} turning left, ${say(d.head_right)} turning right.`
})
</script>

<template>
  <section class="card pad" data-returns>
    <h2 class="label">What comes back, by the oil's temperature</h2>
    <template v-if="option">
      <ChartPanel :option="option" label="Oil let down by the returns over its temperature, against what comes" />
      <p v-if="head !== null">The heads keep empty from <strong>{{ words.show(head, 'temperature') }}</strong> up: kept slow until then.</p>
      <p v-if="thrown" class="mute">{{ thrown }}</p>
    </template>
    <Unseen v-else :waiting="waiting">Give bore, length and number of a head's returns, or a turbo's bore and fall.</Unseen>
  </section>
  <section v-if="data" class="card pad">
    <h2 class="label">Breathing at full load</h2>
    <NamedValues :rows="gas" />
    <DataTable :id="(h) => String(h.bore)" label="Crankcase over the air by hose" :columns="HOSES" :rows="near" :marked="(h) => h.bore === data?.bore" />
    <p class="mute">{{ words.show(data.most, 'pressure_small') }} over the air is kept to: more, and seals weep. No trap in the hose, where water freezes; a can of 1.5 to 3 L, baffled.</p>
  </section>
</template>
