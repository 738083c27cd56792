<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import CautionNote from '../../../ui/CautionNote.vue'
import { clock, judge, shout, spoken } from '../logic'
import { useVocabulary } from '../../../stores/vocabulary'
import { useEngine } from '../useEngine'
import { useStart } from '../useStart'
import { sound } from '../shouting'
import ReadingCard from './ReadingCard.vue'
import ReadingRow from './ReadingRow.vue'

/** A step that runs: a great clock, what ends it at once, the reading to take now, and the two buttons that matter. */
const emit = defineEmits<{ wrong: [] }>()
const start = useStart()
const engine = useEngine()
const words = useVocabulary()
const step = computed(() => start.step)
const seconds = computed(() => start.seconds)
const most = computed(() => step.value?.most ?? step.value?.least ?? 1)
const due = computed(() => (start.plan?.expected ?? []).filter((e) => step.value && e.steps.includes(step.value.id)))
const picked = ref('')
/** The one to take now: what was picked, else what was taken longest ago. */
const now = computed(() => due.value.find((e) => e.id === picked.value) ?? [...due.value].sort((a, b) => takenAt(a.id) - takenAt(b.id))[0])
const takenAt = (id: string) => {
  const last = start.lastOf(id, start.run)
  return last?.at ? Date.parse(last.at) : 0
}
watch(() => start.record.readings.length, () => (picked.value = ''))
const said = computed(() => due.value.flatMap((e) => {
  const last = start.lastOf(e.id, start.run)
  const si = last ? start.valueOf(last) : null
  return last && si !== null ? [{ label: e.label, verdict: judge(e, si, start.since(last)) }] : []
}))
const alarm = computed(() => (step.value ? shout(step.value, seconds.value, said.value) : ''))
watch(alarm, (now, before) => now && now !== before && sound())
/** No oil pressure seen though it should be there. */
const unseen = computed(() => {
  const oil = due.value.find((e) => e.id === 'oil_cold')
  return oil && step.value?.runs && seconds.value >= oil.after && !start.lastOf(oil.id, start.run) && !start.record.readings.some((r) => r.what === 'oil_warm' && r.run === start.run?.id)
})
const marks = computed(() => {
  const found = [...(step.value?.runs && step.value.least !== null && step.value.most !== null && step.value.least < step.value.most ? [{ at: step.value.least, label: `${spoken(step.value.least)} at least` }] : [])]
  const opens = start.plan?.expected.find((e) => e.id === 'opens')
  if (step.value?.id === 'long' && opens?.likely && opens.likely < most.value) found.push({ at: opens.likely, label: `${clock(opens.likely)} thermostat opens` })
  return found
})
/** A reading past its stop mark says where to begin to look. */
const LEADS: Record<string, [symptom: string, look: string]> = { coolant: ['hot_idle', 'cooling__gauge'], oil_warm: ['low_oil', 'oil__gauge'], oil_cold: ['low_oil', 'oil__gauge_cold'], rail: ['fuel_none', 'fuel__rail'], volts: ['charge', 'charge__idle'], water: ['steam', 'wet__bucket'] }
const stops = computed(() => due.value.flatMap((e) => (e.least !== null ? [{ id: e.id, label: e.label, side: 'under', value: e.least, kind: e.kind }] : e.most !== null ? [{ id: e.id, label: e.label, side: 'over', value: e.most, kind: e.kind }] : [])))
const head = computed(() => {
  if (!step.value) return ''
  if (alarm.value) return alarm.value
  if (!step.value.runs) return step.value.id === 'prime' ? 'Crank' : step.value.label
  return step.value.least !== null && seconds.value < step.value.least ? 'Keep running' : 'May be stopped'
})
const off = (note = '') => start.run && start.end(start.run, note)
function wrong(what: string): void {
  const past = due.value.find((e) => said.value.some((s) => s.label === e.label && s.verdict.kind === 'stop'))
  const lead = past && LEADS[past.id]
  const value = past && start.lastOf(past.id, start.run)?.value
  void off(`stopped: ${what}`)
  if (lead && value) {
    const [group = '', check = ''] = lead[1].split('__')
    void start.set('symptom', lead[0])
    void start.look(group, check, '', value)
  }
  emit('wrong')
}
</script>

<template>
  <div v-if="step" class="run">
    <ol class="strip" aria-label="Steps"><li v-for="s in start.steps" :key="s.step.id" :class="{ done: s.done, now: s.step.id === step.id }"><span aria-hidden="true" />{{ s.done ? '✓ ' : '' }}{{ s.step.label.split(',')[0] }}</li></ol>
    <div class="top" :class="{ alarm }">
      <b class="clock" role="timer" :aria-label="`${step.label}: ${clock(seconds)}`">{{ clock(seconds) }}</b>
      <div><p class="head" :role="alarm ? 'alert' : undefined">{{ head }}</p><p class="mute">of {{ clock(most) }}<template v-if="start.run?.pace"> · simulated, ×{{ start.run.pace }}</template></p></div>
    </div>
    <div class="bar" role="img" :aria-label="`${clock(seconds)} of ${clock(most)}`"><span class="level" :style="{ width: `${Math.min((100 * seconds) / most, 100)}%` }" /><span v-for="(m, i) in marks" :key="m.label" class="mark" :class="{ low: i % 2 }" :style="{ left: `${(100 * m.at) / most}%` }"><i>{{ m.label }}</i></span></div>
    <div class="atonce" role="note"><b>{{ step.runs ? 'Engine off at once:' : 'Let go at once:' }}</b> <template v-for="(s, i) in stops" :key="s.id">{{ i ? ' · ' : '' }}{{ s.label.split(',')[0]?.toLowerCase() }} {{ s.side }} <b>{{ words.show(s.value, s.kind) }}</b></template><template v-for="s in step.shouts" :key="s">{{ stops.length ? ' · ' : '' }}{{ s }}</template></div>
    <p v-if="unseen" class="over unseen" role="alert">Oil pressure? It should have been there after five seconds. <button class="button danger" type="button" @click="wrong('no oil pressure')">None: engine off</button></p>
    <ReadingCard v-if="now" :key="now.id" :expected="now" />
    <section v-if="due.length > 1" class="card rows"><ul><ReadingRow v-for="e in due.filter((d) => d.id !== now?.id)" :key="e.id" :expected="e" @pick="picked = e.id" /></ul></section>
    <CautionNote v-if="step.caution" :text="step.caution" />
    <p v-if="engine.on" class="mute">Simulated engine runs: {{ engine.fault }}.</p>
    <div class="foot"><button class="button danger" type="button" @click="off()">{{ step.runs ? 'Engine off' : step.id === 'prime' ? 'Let go' : 'Stop the clock' }}</button><button class="button" type="button" @click="wrong('something is wrong')">Something is wrong</button></div>
  </div>
</template>

<style scoped>
.run {
  display: grid;
  gap: 10px;
  max-width: 620px;
}
.strip {
  display: flex;
  gap: 5px;
  margin: 0;
  padding: 0;
  overflow: hidden;
}
.strip li {
  list-style: none;
  flex: 1 1 0;
  min-width: 0;
  font: 600 12.5px/1.2 var(--labels);
  color: var(--mute);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.strip span {
  display: block;
  height: 5px;
  margin-bottom: 4px;
  background: var(--line);
}
.strip .done span {
  background: var(--holds);
}
.strip .now span {
  background: var(--brass-line);
}
.strip .now {
  color: var(--ink);
}
.top {
  display: flex;
  gap: 16px;
  align-items: center;
}
.clock {
  font: 600 76px/0.95 var(--labels);
  font-variant-numeric: tabular-nums;
}
.head {
  font: 600 20px/1.2 var(--words);
}
.alarm {
  background: var(--over);
  color: #fff;
  border-radius: 4px;
  padding: 8px 12px;
}
.alarm .mute {
  color: #fff;
}
.bar {
  position: relative;
  height: 14px;
  background: var(--glass);
  border: 1px solid var(--line);
  border-radius: 3px;
  margin-bottom: 32px;
}
.bar .level {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--cooling);
  opacity: 0.8;
}
.mark {
  position: absolute;
  top: -3px;
  bottom: -3px;
  border-left: 2px solid var(--ink);
}
.mark i {
  position: absolute;
  top: 21px;
  transform: translateX(-50%);
  font: 600 12.5px/1 var(--labels);
  color: var(--mute);
  white-space: nowrap;
}
.low i {
  top: 35px;
}
.atonce {
  background: var(--over-soft);
  border-left: 4px solid var(--over);
  padding: 9px 12px;
}
.unseen {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  font-weight: 600;
}
.rows ul {
  margin: 0;
  padding: 0;
}
.foot {
  position: sticky;
  /* Down to the window's edge, over what the page leaves free under itself. */
  bottom: -42px;
  margin-bottom: -42px;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  padding: 10px 0 20px;
  background: var(--paper);
  border-top: 1px solid var(--line);
}
.foot .button {
  min-height: 54px;
  font: 600 18px var(--words);
}
.danger {
  background: var(--over);
  border-color: var(--over);
  color: #fff;
}
@media (max-width: 420px) {
  .clock {
    font-size: 66px;
  }
  .strip li {
    font-size: 11.5px;
  }
}
</style>
