<script setup lang="ts">
import { computed, inject } from 'vue'
import type { Schemas } from '../../../api/client'
import { plotOption } from '../../../ui/chart'
import DutyPick from '../../../station/DutyPick.vue'
import { ChartPanel } from '../../../ui/lazyChart'
import { read, THEME } from '../../../ui/theme'
import { useDuty } from '../../../station/useDuty'
import { useInstrument } from '../../../station/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import InOrder from '../../../ui/InOrder.vue'
import NamedValues from '../../../ui/NamedValues.vue'

/** The lean guard, what stops pump and engine, bleeding, and changing from one fuel to another. */
const build = useBuild()
const words = useVocabulary()
const look = inject(THEME)
const { index } = useDuty('fuel')
const options = computed(() => ({ duty: index.value }))
const { data } = useInstrument('fuel/change', options)
const option = computed(() => {
  const guard = data.value?.guard
  if (!guard || look === undefined) return null
  void look.dark.value
  const points = guard.rails.map((p, i): [number, number] => [words.value(p, 'pressure_gauge'), 100 * (guard.leaner[i] ?? 0)]).filter(([, y]) => y <= 40).reverse()
  const plot = plotOption({
    x: `rail, ${words.unit('pressure_gauge')}`, y: '% leaner',
    lines: [{ name: 'at full load', points, colour: read('fuel'), at: 0.2, side: 'right' }],
    mark: { x: words.value(guard.cut, 'pressure_gauge'), text: 'cut here', colour: read('over') },
    ring: guard.now === null ? undefined : { at: [words.value(guard.now, 'pressure_gauge'), 100 * Math.max(at(guard, guard.now), 0)], text: 'now' },
  }) as { xAxis: Record<string, unknown> }
  return { ...plot, xAxis: { ...plot.xAxis, min: undefined, max: undefined, scale: true } }
})
/** Leaner share at a rail pressure, read off the curve. */
function at(guard: Schemas['LeanGuard'], rail: number): number {
  const i = guard.rails.findIndex((p) => p <= rail)
  return i <= 0 ? (guard.leaner[0] ?? 0) : (guard.leaner[i] ?? 0)
}
const CUTS = { cut_stopped: 'with the engine', cut_oil: 'on lost oil pressure', cut_impact: 'on impact' } as const
const gaps = computed(() => ([
  { path: 'fuel.battery_gap', name: 'Battery to fuel parts' },
  { path: 'installation.exhaust_fuel', name: 'Exhaust to fuel parts' },
]).map((g) => ({ ...g, shown: build.build?.facts[g.path]?.shown ?? 'not measured' })))
const apart = computed(() => [
  ...(data.value?.cuts ? Object.entries(CUTS).map(([name, label]) => ({ label: `Pump stops ${label}`, shown: said(data.value?.cuts?.[name as keyof typeof CUTS]), over: data.value?.cuts?.[name as keyof typeof CUTS] === 'no' })) : []),
  ...(data.value?.stop ? [{ label: `Engine stopped by a ${data.value.stop.label}`, shown: data.value.stop.safe ? 'stops by itself when power fails' : 'runs on when power fails', over: !data.value.stop.safe }] : []),
  ...gaps.value.map((gap) => ({ label: gap.name, shown: gap.shown, over: false })),
])
const said = (value: string | null | undefined) => (value === 'yes' ? 'yes' : value === 'no' ? 'no' : 'not said')
</script>

<template>
  <section v-if="data?.guard" class="card pad">
    <div class="cardhead">
      <h2 class="label">When rail pressure falls at full load</h2>
      <DutyPick v-model="index" />
    </div>
    <ChartPanel v-if="option" :option="option" label="How much leaner the mixture gets over rail pressure" />
    <p>Set at {{ words.show(data.guard.held, 'pressure_gauge') }} there; {{ words.show(data.guard.limit, 'share') }} leaner is reached at <strong>{{ words.show(data.guard.cut, 'pressure_gauge') }}</strong>, the gas at the ports up to {{ words.show(Math.max(data.guard.hotter, 0), 'temperature_difference') }} hotter by then, and knock nearer. {{ data.guard.fitted === 'cuts' ? 'Let the guard cut boost or ignition there.' : data.guard.fitted === 'lamp' ? 'Let the lamp come on well before it, and lift off.' : 'A pressure switch there that cuts boost or ignition costs less than a piston.' }}</p>
    <p class="mute">Same pulses on less pressure: fuel goes with the root of what is left across the injectors, the air stays. A referenced rail is cut by its difference to the manifold.</p>
  </section>
  <section class="card pad">
    <h2 class="label">What stops it, and what stands apart</h2>
    <NamedValues :rows="apart" />
    <template v-if="data?.bleed.length">
      <h3 class="label steps">Letting the air out, from the tank forward</h3>
      <InOrder :steps="data.bleed" label="Letting the air out" />
    </template>
  </section>
  <section class="card pad">
    <h2 class="label">Change of fuel</h2>
    <template v-if="data?.change">
      <p class="figure">{{ data.change.old }} → {{ data.change.new }}: pump {{ words.show(data.change.purge, 'volume') }} through to the cans.</p>
      <p>Lines hold {{ words.show(data.change.lines, 'volume') }} and push the old ahead of them; filter and pot, {{ words.show(data.change.mixed, 'volume') }}, stir, and want 4.6 times that for a hundredth left.
        {{ words.show(data.change.left, 'volume') }} stay in a drained tank<template v-if="data.change.share !== null">: {{ words.show(data.change.share, 'share') }} of a full one</template>.</p>
      <p v-if="data.change.hazard" :class="{ over: data.change.hazardous }">{{ data.change.hazardous ? 'Mind' : 'Under what does harm' }}: {{ data.change.hazard }}, from {{ words.show(data.change.hazard_share, 'share') }}.{{ data.change.hazardous ? ' Mop the tank out before filling.' : '' }}</p>
      <template v-if="data.change.materials.length">
        <h3 class="label steps">What must go</h3>
        <ul><li v-for="item in data.change.materials" :key="item">{{ item }}</li></ul>
      </template>
      <h3 class="label steps">In this order</h3>
      <InOrder :steps="data.change.steps" label="Change of fuel" />
      <p class="mute">Old fuel is waste: to a collection point, not to the drain. Never cut or weld a used tank.</p>
    </template>
    <p v-else class="mute">Say what was in the tank before (Change of fuel, under Fitted), and what must be drained, purged and replaced is worked out.</p>
  </section>
</template>

<style scoped>
.steps {
  margin: 10px 0 4px;
}
ul {
  margin: 0;
  padding-left: 22px;
}
</style>
