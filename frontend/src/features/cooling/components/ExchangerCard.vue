<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import type { View } from '../../../api/client'
import DutyPick from '../../../station/DutyPick.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'

/** A boat's coolant by duty: its exchanger as it fouls, or its keel cooler by speed. */
const words = useVocabulary()
const build = useBuild()
const look = inject(THEME)
/** The duty that decides, until another is picked. */
const own = (build.report?.systems.cooling?.checks ?? []).filter((c) => c.id === 'heat')
const worst = own.reduce<(typeof own)[number] | undefined>((most, c) => (c.fill > (most?.fill ?? -1) ? c : most), undefined)?.duty
const index = ref(Math.max((build.report?.duties ?? []).findIndex((d) => d.id === worst), 0))
const { data, waiting } = useInstrument('cooling/afloat', computed(() => ({ duty: index.value })))
type Row = View<'cooling/afloat'>['rows'][number]
const t = (v: number) => words.show(v, 'temperature')
const COLUMNS = computed((): Column<Row>[] => [
  { key: 'name', title: 'Duty', head: true, show: (r) => r.name },
  { key: 'coolant', title: 'coolant', right: true, show: (r) => t(r.coolant), over: (r) => r.made > r.carried },
  { key: 'limit', title: 'limit', right: true, mute: true, show: (r) => t(r.limit) },
  { key: 'made', title: 'makes', right: true, show: (r) => words.show(r.made, 'heat') },
  { key: 'carried', title: 'carries', right: true, show: (r) => words.show(Math.max(r.carried, 0), 'heat') },
  { key: 'raw', title: data.value?.keel ? 'at' : 'raw water', right: true, mute: true, show: (r) => (r.raw_out === null ? words.show(r.speed, 'speed') : `${t(r.raw_in)} → ${t(r.raw_out)}`) },
  { key: 'sea', title: 'holds to a sea of', right: true, show: (r) => (r.sea_most > 333 ? 'any' : r.sea_most < 271 ? 'none' : t(r.sea_most)), over: (r) => r.sea_most < r.sea },
])
const option = computed(() => {
  const d = data.value
  if (!d || look === undefined) return null
  void look.dark.value
  if (d.keel) {
    const points = d.speeds.map((v, i): [number, number] => [words.value(v, 'speed'), words.value(d.by_speed[i] ?? 0, 'area')])
    return plotOption({
      x: `through the water, ${words.unit('speed')}`, y: `outside, ${words.unit('area')}`,
      lines: [
        { name: 'asked', points, colour: read('cooling'), at: 0.3, side: 'top' },
        ...(d.area === null ? [] : [{ name: 'there is', points: d.speeds.map((v): [number, number] => [words.value(v, 'speed'), words.value(d.area ?? 0, 'area')]), colour: read('mute'), dashed: true, at: 0.8, side: 'top' as const }]),
      ],
    })
  }
  const plot = plotOption({
    x: 'of its clean conductance left, %', y: words.unit('temperature'),
    lines: [
      { name: 'coolant', points: d.shares.map((s, i): [number, number] => [100 * s, words.value(d.by_share[i] ?? 0, 'temperature')]), colour: read('cooling'), at: 0.3, side: 'top' },
      { name: 'limit', points: d.shares.map((s): [number, number] => [100 * s, words.value(d.limit, 'temperature')]), colour: read('over'), dashed: true, at: 0.8, side: 'top' },
    ],
    mark: { x: 100 * d.share, text: 'as it runs', colour: read('brass') },
  }) as { yAxis: Record<string, unknown> }
  return { ...plot, yAxis: { ...plot.yAxis, min: undefined, scale: true } }
})
</script>

<template>
  <section class="card pad" data-exchanger>
    <div class="cardhead">
      <h2 class="label">{{ data?.keel ? 'The keel cooler' : 'The heat exchanger' }}</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="data">
      <DataTable :id="(r) => r.duty" label="Coolant by duty" :columns="COLUMNS" :rows="data.rows" />
      <ChartPanel v-if="option" :option="option" :label="data.keel ? 'Outside that a keel cooler needs by speed' : 'Coolant as the exchanger fouls'" />
      <p class="mute"><template v-if="data.keel">At rest the sea hardly moves past it: a bollard pull or going astern at the quay decides. Never painted.</template><template v-else>{{ words.show(data.conductance, 'conductance') }} as it runs. At the rule's flow the raw side is seldom short of water: it is area that is wanting. A pencil of zinc, looked at twice a year.</template> Cap, header and thermostat are the loop's, under Fitted.</p>
    </template>
    <Unseen v-else :waiting="waiting">Give the heat exchanger's conductance and the raw-water pump's volume a turn, or the keel cooler's outside.</Unseen>
  </section>
</template>
