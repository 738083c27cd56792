<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Slide from '../../../ui/Slide.vue'
import Unseen from '../../../ui/Unseen.vue'
import { chargeSaid, lasts, most, resting, running, type LoadsView, type StateRow } from '../logic'

/** What draws in each state against the hot alternator: past it at idle is a cost with the time it lasts. */
const words = useVocabulary()
const { send, trouble } = useSending()
const tried = ref<number | null>(null)
const { data, waiting } = useInstrument('electrics/loads', computed((): Record<string, number> => (tried.value === null ? {} : { idle: tried.value })))
const idle = computed({ get: () => tried.value ?? Math.round(data.value?.idle ?? 0), set: (v: number) => (tried.value = v) })
const amps = (v: number) => (v > 0 && v < 0.5 ? `${Math.round(1000 * v)} mA` : words.show(v, 'current'))
const said = computed(() => (data.value ? chargeSaid(data.value, (v, kind) => words.show(v, kind)) : ''))
const short = computed(() => (data.value?.states ?? []).some((s) => s.id === 'cruise_night' && s.battery > 0))
const top = computed(() => (data.value ? most(data.value) : 1))
const share = (v: number) => `${(100 * v) / top.value}%`
const beyond = (s: StateRow) => s.gives !== null && s.draws > s.gives
type Load = LoadsView['loads'][number]
const COLUMNS = computed((): Column<Load>[] => [
  { key: 'name', title: 'Draws, A', head: true, show: (l) => l.name },
  ...(data.value?.states ?? []).map((s, i): Column<Load> => ({ key: s.id, title: s.name.toLowerCase().replace('under way', 'way').replace('idling', 'idle').replace('stopped, key out', 'stopped'), right: true, show: (l) => ((l.amps[i] ?? 0) >= 0.005 ? String(Number((l.amps[i] ?? 0).toPrecision(3))) : '') })),
])
type Duty = LoadsView['duties'][number]
const DUTIES: Column<Duty>[] = [
  { key: 'name', title: 'Duty', head: true, show: (d) => d.name },
  { key: 'engine', title: 'engine', right: true, mute: true, show: (d) => words.show(d.engine, 'speed_rpm') },
  { key: 'rotor', title: 'rotor', right: true, mute: true, show: (d) => words.show(d.rotor, 'speed_rpm') },
  { key: 'gives', title: 'gives, hot', right: true, show: (d) => amps(d.gives) },
  { key: 'volts', title: 'fan, pump, ignition have', right: true, show: (d) => words.show(d.volts, 'voltage'), over: (d) => d.volts < 0.95 * Math.max(...(data.value?.duties.map((o) => o.volts) ?? [0])) },
]
async function keep(): Promise<void> {
  if (tried.value === null) return
  if (await send(line('engine.idle_speed', `${tried.value} rpm`, { evidence: 'guess' }))) tried.value = null
}
</script>

<template>
  <section class="card pad" data-loads>
    <h2 class="label">Draws, against the alternator hot</h2>
    <template v-if="data">
      <p role="status"><strong :class="{ over: short }">{{ said }}</strong></p>
      <ul class="bars">
        <li v-for="s in running(data)" :key="s.id">
          <span>{{ s.name }}</span>
          <span class="glass" role="img" :aria-label="`${amps(s.draws)} drawn${s.gives === null ? '' : ` of ${amps(s.gives)}`}`">
            <span class="level" :style="{ width: share(Math.min(s.draws, s.gives ?? s.draws)) }" />
            <span v-if="beyond(s)" class="past" :class="{ cost: s.id.startsWith('idle') }" :style="{ left: share(s.gives ?? 0), width: share(s.draws - (s.gives ?? 0)) }" />
            <span v-if="s.gives !== null" class="brim" :style="{ left: share(s.gives) }" />
          </span>
          <span class="figure"><b>{{ amps(s.draws) }}</b><template v-if="s.gives !== null"> of {{ amps(s.gives) }}</template></span>
        </li>
      </ul>
      <p v-if="data.states.find((s) => s.id === 'idle_night')?.lasts" class="note">Idling so, half the battery lasts {{ lasts(data.states.find((s) => s.id === 'idle_night')?.lasts ?? 0) }}.</p>
      <Slide v-model="idle" label="Idle tried" :min="Math.round(data.low)" :max="Math.round(data.high)" :step="10" :text="`${idle} rpm`">
        <button v-if="tried !== null" class="textlink" type="button" @click="keep">Set it</button>
      </Slide>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <dl class="rest">
        <div v-for="s in resting(data)" :key="s.id"><dt>{{ s.id === 'crank' ? 'Cranking, the starter aside' : s.name }}</dt><dd><b>{{ amps(s.draws) }}</b><template v-if="s.lasts && s.id !== 'crank'"> half the battery lasts {{ lasts(s.lasts) }}</template></dd></div>
      </dl>
      <DataTable :id="(l) => l.id + l.name" label="What draws in each state" :columns="COLUMNS" :rows="data.loads" />
      <template v-if="data.duties.length">
        <h3 class="label">Volts in each duty, wet night, fans as they run</h3>
        <DataTable :id="(d) => d.name" label="Volts in each duty" :columns="DUTIES" :rows="data.duties" />
      </template>
    </template>
    <Unseen v-else :waiting="waiting">List what draws under “What is fitted”: lamps, pump, computer, blower. Each starts with its usual amps; a clamp meter knows better.</Unseen>
  </section>
</template>

<style scoped>
.bars {
  list-style: none;
  margin: 8px 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
.bars li {
  display: grid;
  grid-template-columns: minmax(110px, 26%) 1fr minmax(96px, auto);
  gap: 12px;
  align-items: center;
}
.glass {
  position: relative;
  height: 16px;
  background: var(--glass);
  border: 1px solid var(--line);
  border-radius: 3px;
}
.level,
.past,
.brim {
  position: absolute;
  top: 0;
  bottom: 0;
}
.level {
  left: 0;
  background: var(--electrics);
  opacity: 0.85;
}
.past {
  background: repeating-linear-gradient(-45deg, var(--over) 0 3px, var(--over-soft) 3px 6px);
  outline: 1px solid var(--over);
}
.past.cost {
  background: color-mix(in oklab, var(--brass) 15%, var(--glass));
  outline: 1.5px dashed var(--brass);
}
.brim {
  width: 2px;
  top: -3px;
  bottom: -3px;
  background: var(--ink);
}
.note {
  border-left: 3px solid var(--brass);
  padding-left: 10px;
}
.rest {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 28px;
}
.rest dd {
  margin: 0;
}
</style>
