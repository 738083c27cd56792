<script setup lang="ts">
import { computed, inject } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { ChartPanel } from '../../../ui/lazyChart'
import NamedValues from '../../../ui/NamedValues.vue'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'
import Well from '../../../ui/Well.vue'
import type { HeatView } from '../logic'
import { useHardest } from '../useHardest'

/** The pipe's outside along its way, what stands beside it and the gap it needs, what the pipe hangs over. */
const words = useVocabulary()
const look = inject(THEME)
const { index } = useHardest()
const { data, waiting } = useInstrument('exhaust/heat', computed(() => ({ duty: index.value })))
type Beside = HeatView['beside'][number]
const t = (v: number) => words.show(v, 'temperature')
const size = (v: number) => words.show(v, 'size')
const option = computed(() => {
  const d = data.value
  if (!d || !d.skin.length || look === undefined) return null
  void look.dark.value
  const points = (of: (s: HeatView['skin'][number]) => number) => d.skin.flatMap((s): [number, number][] => [[s.start, words.value(of(s), 'temperature')], [s.end, words.value(of(s), 'temperature')]])
  return plotOption({
    x: 'm from the flange', y: words.unit('temperature'),
    lines: [
      { name: 'standing', points: points((s) => s.standing), colour: read('over'), at: 0.3, side: 'top', dashed: true },
      { name: 'on the move', points: points((s) => s.moving), colour: read('exhaust'), at: 0.6, side: 'bottom' },
      { name: 'three minutes after a stop', points: points((s) => s.stopped), colour: read('mute'), at: 0.4, side: 'bottom' },
    ],
  })
})
const COLOURS = ['exhaust', 'air', 'fuel', 'oil'] as const
/** Heat of each neighbour by its gap, no shield, at the duty's end were it to last. */
const byGap = computed(() => {
  const d = data.value
  if (!d || !d.beside.length || look === undefined) return null
  void look.dark.value
  return plotOption({
    x: `gap, ${words.unit('size')}, no shield, were the duty to last`, y: words.unit('temperature'),
    lines: d.beside.slice(0, COLOURS.length).map((b, i) => ({ name: b.name.split(/[:,]/)[0] ?? b.name, points: d.gaps.map((g, k): [number, number] => [words.value(g, 'size'), words.value(b.by_gap[k] ?? 0, 'temperature')]), colour: read(COLOURS[i] ?? 'exhaust'), at: 0.25 + 0.2 * i, side: 'top' as const })),
  })
})
const worst = (b: Beside) => Math.max(b.running, b.stopped)
const fill = (b: Beside) => (data.value ? (worst(b) - data.value.bay) / Math.max(b.limit - data.value.bay, 0.1) : 0)
const COLUMNS: Column<Beside>[] = [
  { key: 'name', title: 'Beside it', head: true, show: (b) => b.name },
  { key: 'gap', title: 'Gap', right: true, show: (b) => size(b.gap), over: (b) => b.gap_needed !== null && b.sheet === null && b.gap < b.gap_needed },
  { key: 'needed', title: 'needs, no shield', right: true, show: (b) => (b.gap_needed === null ? 'a shield' : size(b.gap_needed)) },
  { key: 'rule', title: 'rule keeps', right: true, mute: true, show: (b) => size(b.rule) },
  { key: 'running', title: 'Running', right: true, show: (b) => t(b.running), over: (b) => b.running > b.limit },
  { key: 'stopped', title: 'after a stop', right: true, show: (b) => t(b.stopped), over: (b) => b.stopped > b.limit },
  { key: 'limit', title: 'may reach', right: true, mute: true, show: (b) => t(b.limit) },
]
const eased = (b: Beside) => b.eased.map((e) => `${e.label} ${t(e.hottest)}${e.gap === null ? '' : ` (from ${size(e.gap)})`}`).join(' · ')
const under = computed(() => {
  const u = data.value?.under
  if (!u) return []
  return [
    { label: 'Lowest place over the ground, loaded', shown: words.show(u.height, 'height') },
    { label: 'at the bump stop', shown: words.show(u.bumped, 'height'), over: u.bumped < 0 },
    ...(u.ramp === null ? [] : [{ label: u.asked === null ? 'Clears a ramp of, both sides together' : `Clears a ramp, ${words.show(u.asked, 'angle')} asked`, shown: words.show(u.ramp, 'angle'), over: u.asked !== null && u.ramp < u.asked }]),
    ...(u.approach === null ? [] : [{ label: 'Approach angle', shown: words.show(u.approach, 'angle') }]),
    ...u.raised.map((r) => ({ label: `Raised by ${r.label}`, shown: size(r.by) })),
  ]
})
</script>

<template>
  <section class="card pad" data-heat>
    <div class="cardhead">
      <h2 class="label">What stands beside it</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="data">
      <template v-if="data.beside.length">
        <p v-for="b in data.beside" :key="b.id" class="one">
          <span class="first">{{ b.name }}, {{ size(b.gap) }} away</span>
          <Well :fill="fill(b)" system="exhaust" size="long" :label="b.name" :state="fill(b) > 1 ? 'short' : 'holds'" />
          <span class="mute">{{ eased(b) }}</span>
        </p>
        <DataTable :id="(b) => b.id" label="Beside the pipe" :columns="COLUMNS" :rows="data.beside" />
      </template>
      <p v-else class="mute">Nothing is stated beside the pipe. Add a loom, a hose, a fuel line: how far along the pipe, how near.</p>
      <p class="mute">The engine space counts {{ t(data.bay) }}: state it, or let Air work it. Rules keep 75 mm bare and 25 mm behind a shield; 100 mm to fuel stays whatever the heat.</p>
    </template>
    <Unseen v-else :waiting="waiting">Give the pipe, whole or piece by piece.</Unseen>
  </section>
  <section v-if="byGap" class="card pad">
    <h2 class="label">By its gap</h2>
    <ChartPanel :option="byGap" label="Heat of what stands beside it by its gap" />
  </section>
  <section v-if="option" class="card pad">
    <h2 class="label">Its outside along the way</h2>
    <ChartPanel :option="option" label="Outside temperature along the pipe" />
    <p class="mute">Measured by crayon; an infrared gun reads bright metal a hundred degrees low.</p>
  </section>
  <section v-if="data" class="card pad" data-ground>
    <h2 class="label">Under it</h2>
    <NamedValues v-if="under.length" :rows="under" />
    <p v-else class="mute">Give the exhaust's height over the ground, loaded.</p>
  </section>
</template>

<style scoped>
.one {
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr);
  gap: 2px 10px;
  align-items: center;
}
.one .mute {
  grid-column: 2;
}
.first::first-letter {
  text-transform: uppercase;
}
@media (max-width: 720px) {
  .one {
    grid-template-columns: minmax(0, 1fr);
  }
  .one .mute {
    grid-column: 1;
  }
}
</style>
