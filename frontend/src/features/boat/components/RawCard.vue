<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { ChartPanel } from '../../../ui/lazyChart'
import NamedValues from '../../../ui/NamedValues.vue'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'
import type { RawView } from '../logic'

/** Raw water on its way: what the pump moves beside the rule and the heat, what it draws, how warm it leaves. */
const words = useVocabulary()
const build = useBuild()
const look = inject(THEME)
const full = Math.max((build.report?.duties ?? []).findIndex((d) => d.id === 'full'), 0)
const index = ref(full)
const { data, waiting } = useInstrument('boat/raw', computed(() => ({ duty: index.value })))
type Place = RawView['places'][number]
const pa = (v: number | null) => (v === null ? '–' : words.show(v, 'pressure_difference'))
const t = (v: number) => words.show(v, 'temperature')
const q = (v: number) => words.show(v, 'flow')
const COLUMNS: Column<Place>[] = [
  { key: 'name', title: 'From the sea', head: true, show: (p) => p.name },
  { key: 'bore', title: 'inside', right: true, mute: true, show: (p) => (p.bore === null ? '–' : words.show(p.bore, 'size')) },
  { key: 'speed', title: 'water', right: true, mute: true, show: (p) => (p.speed === null ? '–' : words.show(p.speed, 'speed_m_s')) },
  { key: 'clean', title: 'takes, clean', right: true, show: (p) => pa(p.clean) },
  { key: 'judged', title: 'as judged', right: true, show: (p) => (p.judged === p.clean ? '' : pa(p.judged)) },
  { key: 'warm', title: 'leaves at', right: true, mute: true, show: (p) => (p.warm === null ? '' : t(p.warm)) },
]
const flows = computed(() => {
  const d = data.value
  if (!d) return []
  return [
    { label: 'The pump moves, worn as it is', shown: d.flow === null ? 'not stated' : q(d.flow), over: d.flow !== null && d.flow < d.by_heat },
    { label: 'By the rule, at full revs: 1.2 L/min a kW', shown: q(d.by_rule) },
    { label: `By the heat alone, to leave at ${t(d.out_most)}`, shown: q(d.by_heat) },
    ...(d.for_mix === null ? [] : [{ label: `For a mix of ${t(d.mix_wished)} in the exhaust hose`, shown: q(d.for_mix) }]),
  ]
})
const warm = computed(() => {
  const d = data.value
  if (!d) return []
  return [
    { label: 'The sea', shown: t(d.sea) },
    { label: `It takes, ${words.show(d.gear_heat, 'heat')} of it the gear's`, shown: words.show(d.heat, 'heat') },
    ...(d.out === null ? [] : [{ label: `Leaves at, ${t(d.out_most)} at most`, shown: t(d.out), over: d.out > d.out_most }]),
    ...(d.mix === null ? [] : [{ label: `With the gas, in a hose that stands ${t(d.hose_limit)}`, shown: t(d.mix), over: d.mix > d.hose_limit }]),
    ...(d.alarm === null ? [] : [{ label: 'Alarm in the hose; shut down at', shown: `${t(d.alarm)}; ${t(d.shut_down)}` }]),
  ]
})
const why = computed(() => {
  const d = data.value
  if (!d) return ''
  return d.by_rule > d.by_heat
    ? 'The rule asks more than the heat: the rest cools the exhaust, serves at idle, and ages with the impeller.'
    : 'The heat asks more than the rule here: a warm sea leaves it little to take up.'
})
const option = computed(() => {
  const d = data.value
  if (!d?.bores.length || look === undefined) return null
  void look.dark.value
  const points = d.bores.map((b, i): [number, number] => [words.value(b, 'size'), words.value(Math.min(d.by_bore[i] ?? 0, 2 * d.sucks), 'pressure_difference')])
  return plotOption({
    x: `suction hose, cock and strainer inside, ${words.unit('size')}`, y: words.unit('pressure_difference'),
    lines: [
      { name: 'drawn, strainer as judged', points, colour: read('boat'), at: 0.5, side: 'top' },
      { name: 'an impeller still fills', points: d.bores.map((b): [number, number] => [words.value(b, 'size'), words.value(d.sucks, 'pressure_difference')]), colour: read('over'), dashed: true, at: 0.8, side: 'top' },
    ],
  })
})
</script>

<template>
  <section class="card pad" data-raw>
    <div class="cardhead">
      <h2 class="label">Raw water</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="data">
      <NamedValues :rows="flows" />
      <p class="mute">{{ why }}</p>
      <NamedValues :rows="warm" />
      <template v-if="data.suction !== null">
        <h2 class="label more">What the pump draws</h2>
        <p><strong :class="{ over: data.suction > data.sucks }">{{ pa(data.suction) }}</strong> with the strainer as it is judged; past {{ pa(data.sucks) }} an impeller starves, past {{ pa(data.pushes) }} the air outside pushes no more.</p>
        <DataTable :id="(p) => p.id" label="Raw water's way, from the sea to the exhaust" :columns="COLUMNS" :rows="data.places" />
        <ChartPanel v-if="option" :option="option" label="What the pump draws by the bore of its suction" />
      </template>
      <p v-else class="mute">Give the pump's volume a turn and the suction hose's bore for what it draws.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>

<style scoped>
.more {
  margin-top: 12px;
}
</style>
