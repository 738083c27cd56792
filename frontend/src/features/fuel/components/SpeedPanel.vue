<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { plotOption, type Line } from '../../../ui/chart'
import DutyPick from '../../../station/DutyPick.vue'
import { percent } from '../../../ui/format'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import { useDuty } from '../../../station/useDuty'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import Pick from '../../../ui/Pick.vue'
import Segments from '../../../ui/Segments.vue'
import { optionsOf } from '../../../ui/options'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import type { View } from '../../../api/client'

/** Fuel over the whole speed range at full load; injectors as sold; other fuels at the same power; cold start. */
const words = useVocabulary()
const look = inject(THEME)
const { index } = useDuty('fuel')
const CURVES = { flow: 'fuel', share: 'injectors' } as const
const which = ref<keyof typeof CURVES>('flow')
/** Another fuel drawn beside the one in the tank, by its place in the list. */
const other = ref(-1)
const options = computed(() => ({ duty: index.value }))
const { data } = useInstrument('fuel/speed', options)
const found = data
const others = computed(() => [{ value: -1, label: 'beside it: none' }, ...(data.value?.fuels ?? []).map((fuel, i) => ({ value: i, label: fuel.name }))])
const opening = computed(() => data.value?.injectors ?? null)
const shown = computed(() => (opening.value ? which.value : 'flow'))
const option = computed(() => {
  if (!found.value || look === undefined) return null
  void look.dark.value
  const { speed, burned, asked, able, lifted, injectors, fuels } = found.value
  const flows = (values: number[]) => speed.map((n, i): [number, number] => [n, words.value(values[i] ?? 0, 'flow_fuel')])
  const shares = (values: number[]) => speed.map((n, i): [number, number] => [n, 100 * (values[i] ?? 0)])
  if (shown.value === 'share' && injectors) {
    return plotOption({
      x: 'rpm', y: '% of the cycle',
      lines: [
        { name: 'open, with dead time', points: shares(injectors.share), colour: read('fuel'), at: 0.5, side: 'top' },
        { name: 'dead time', points: shares(injectors.dead), colour: read('mute'), dashed: true, at: 0.8, side: 'top' },
        { name: 'ceiling', points: shares(speed.map(() => injectors.ceiling)), colour: read('ink'), at: 0.2, side: 'bottom' },
      ],
    })
  }
  const lines: Line[] = [
    { name: 'asked, with reserve', points: flows(asked), colour: read('brass'), at: 0.88, side: 'top' },
    { name: 'burned', points: flows(burned), colour: read('fuel'), at: 0.55, side: 'right' },
  ]
  if (able) lines.push({ name: 'pump gives', points: flows(able), colour: read('ink'), at: 0.12, side: 'top' })
  const beside = fuels[other.value]
  if (beside) lines.push({ name: `on ${beside.name}`, points: flows(burned.map((q) => q * beside.ratio)), colour: read('duties'), dashed: true, at: 0.7, side: 'left' })
  if (lifted) lines.push({ name: 'lift pump brings', points: flows(lifted), colour: read('duties'), dashed: true, at: 0.75, side: 'top' })
  return plotOption({ x: 'rpm', y: words.unit('flow_fuel'), lines })
})
type Seen = View<'fuel/speed'>
const small = (row: { share: number }) => row.share > (opening.value?.ceiling ?? 0.85)
const SOLD: Column<NonNullable<Seen['sizes']>[number]>[] = [
  { key: 'size', title: 'Each', head: true, show: (r) => words.show(r.size, 'injector_flow'), by: (r) => r.size },
  { key: 'share', title: 'open at most', show: (r) => percent(r.share), over: small },
  { key: 'open', title: 'idle opening', show: (r) => words.show(r.open, 'time_short'), over: (r) => r.open < (opening.value?.idle.least ?? 0) },
  { key: 'said', title: 'so it', show: (r) => (small(r) ? 'is too small' : fits(r) ? 'serves' : 'idles badly'), mute: true },
]
const FUELS: Column<Seen['fuels'][number]>[] = [
  { key: 'name', title: 'Fuel', head: true, show: (r) => `${r.name}${r.now ? ' (about what is in it)' : ''}` },
  { key: 'ratio', title: 'volume', show: (r) => `${r.ratio.toFixed(2)} times`, by: (r) => r.ratio },
  { key: 'flow', title: 'flow', show: (r) => words.show(r.flow, 'flow_fuel') },
  { key: 'injector', title: 'injector for the same opening', show: (r) => words.show(r.injector, 'injector_flow') },
  { key: 'air', title: 'air to fuel', show: (r) => r.air.toFixed(1), by: (r) => r.air },
  { key: 'starts', title: 'starts down to', show: (r) => words.show(r.starts, 'temperature'), by: (r) => r.starts },
]
const fits = (row: { share: number; open: number }) => row.share <= (opening.value?.ceiling ?? 0.85) && row.open >= (opening.value?.idle.least ?? 0)
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">Full load over engine speed</h2>
      <span class="picks">
        <Segments v-if="opening" v-model="which" label="Which curve" :options="optionsOf(CURVES)" />
        <Pick v-if="found?.fuels.length && shown === 'flow'" v-model="other" label="Beside it" :options="others" />
        <DutyPick v-model="index" />
      </span>
    </div>
    <ChartPanel v-if="option" :option="option" :label="shown === 'share' ? 'Share of the cycle the injectors are open over engine speed' : 'Fuel burned, asked and given over engine speed'" />
    <template v-if="found?.sizes">
      <h3 class="label">Injectors as sold</h3>
      <DataTable :id="(r) => String(r.size)" label="Injectors as sold" :columns="SOLD" :rows="found.sizes" />
      <p v-if="opening" class="mute">The set fitted opens {{ words.show(opening.idle.open, 'time_short') }} at idle besides its dead time; under {{ words.show(opening.idle.least, 'time_short') }} it hunts, so {{ words.show(opening.idle.largest, 'injector_flow') }} each is the largest.
        <template v-if="opening.dead_times.length">Dead time: <template v-for="(row, i) in opening.dead_times" :key="row.volts">{{ i ? ', ' : '' }}{{ words.show(row.time, 'time_short') }} at {{ words.show(row.volts, 'voltage') }}</template>.</template>
      </p>
    </template>
  </section>
  <section v-if="found?.fuels.length" class="card pad">
    <h2 class="label">Other fuels, the same power</h2>
    <DataTable :id="(r) => r.name" label="Other fuels at the same power" :columns="FUELS" :rows="found.fuels" :marked="(r) => r.now" />
    <p v-if="found.cold" class="mute">From cold, what is in the tank gives off enough vapour to light down to {{ words.show(found.cold.least, 'temperature') }}, a winter grade of it to {{ words.show(found.cold.winter, 'temperature') }}. Below that more fuel only wets the plugs: warm the intake, start on petrol, or change the blend. Volumes at equal efficiency; alcohols stand more spark and boost, and often give some of it back.</p>
  </section>
</template>

<style scoped>
.picks {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
caption {
  text-align: left;
}
p.mute {
  margin-top: 8px;
}
.scroll {
  overflow-x: auto;
}
.now th {
  font-weight: 600;
}
</style>
