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

/** Fuel over the whole speed range at full load; injectors as sold; other fuels at the same power; cold start. */
const words = useVocabulary()
const look = inject(THEME)
const { index } = useDuty('fuel')
const which = ref<'flow' | 'share'>('flow')
/** Another fuel drawn beside the one in the tank, by its place in the list. */
const other = ref(-1)
const options = computed(() => ({ duty: index.value }))
const { data } = useInstrument('fuel/speed', options)
const found = data
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
const fits = (row: { share: number; open: number }) => row.share <= (opening.value?.ceiling ?? 0.85) && row.open >= (opening.value?.idle.least ?? 0)
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">Full load over engine speed</h2>
      <span class="picks">
        <select v-if="opening" v-model="which" class="cardpick" aria-label="Which curve"><option value="flow">fuel</option><option value="share">injectors</option></select>
        <select v-if="found?.fuels.length && shown === 'flow'" v-model="other" class="cardpick" aria-label="Beside it">
          <option :value="-1">beside it: none</option>
          <option v-for="(fuel, i) in found.fuels" :key="fuel.name" :value="i">{{ fuel.name }}</option>
        </select>
        <DutyPick v-model="index" />
      </span>
    </div>
    <ChartPanel v-if="option" :option="option" :label="shown === 'share' ? 'Share of the cycle the injectors are open over engine speed' : 'Fuel burned, asked and given over engine speed'" />
    <template v-if="found?.sizes">
      <table class="rows">
        <caption class="label">Injectors as sold</caption>
        <thead><tr><th scope="col">Each</th><th scope="col">open at most</th><th scope="col">idle opening</th><th scope="col"></th></tr></thead>
        <tbody>
          <tr v-for="row in found.sizes" :key="row.size">
            <th scope="row">{{ words.show(row.size, 'injector_flow') }}</th>
            <td :class="{ over: row.share > (opening?.ceiling ?? 0.85) }">{{ percent(row.share) }}</td>
            <td :class="{ over: row.open < (opening?.idle.least ?? 0) }">{{ words.show(row.open, 'time_short') }}</td>
            <td class="mute">{{ row.share > (opening?.ceiling ?? 0.85) ? 'too small' : fits(row) ? 'serves' : 'idles badly' }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="opening" class="mute">The set fitted opens {{ words.show(opening.idle.open, 'time_short') }} at idle besides its dead time; under {{ words.show(opening.idle.least, 'time_short') }} it hunts, so {{ words.show(opening.idle.largest, 'injector_flow') }} each is the largest.
        <template v-if="opening.dead_times.length">Dead time: <template v-for="(row, i) in opening.dead_times" :key="row.volts">{{ i ? ', ' : '' }}{{ words.show(row.time, 'time_short') }} at {{ words.show(row.volts, 'voltage') }}</template>.</template>
      </p>
    </template>
  </section>
  <section v-if="found?.fuels.length" class="card pad">
    <h2 class="label">Other fuels, the same power</h2>
    <div class="scroll" tabindex="0" role="region" aria-label="Other fuels at the same power"><table class="rows">
      <thead><tr><th scope="col">Fuel</th><th scope="col">volume</th><th scope="col">flow</th><th scope="col">injector for the same opening</th><th scope="col">air to fuel</th><th scope="col">starts down to</th></tr></thead>
      <tbody>
        <tr v-for="fuel in found.fuels" :key="fuel.name" :class="{ now: fuel.now }">
          <th scope="row">{{ fuel.name }}{{ fuel.now ? ' (about what is in it)' : '' }}</th>
          <td>{{ fuel.ratio.toFixed(2) }} times</td>
          <td>{{ words.show(fuel.flow, 'flow_fuel') }}</td>
          <td>{{ words.show(fuel.injector, 'injector_flow') }}</td>
          <td>{{ fuel.air.toFixed(1) }}</td>
          <td>{{ words.show(fuel.starts, 'temperature') }}</td>
        </tr>
      </tbody>
    </table></div>
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
