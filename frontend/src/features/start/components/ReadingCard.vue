<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { bare, clock, foreseen, judge, type Expected } from '../logic'
import { useEngine } from '../useEngine'
import { useStart } from '../useStart'
import GaugeGlass from './GaugeGlass.vue'

/** One reading: the field for what the gauge shows, beside it what it should, one glass for level, band and stop. */
const props = defineProps<{ expected: Expected }>()
const start = useStart()
const engine = useEngine()
const words = useVocabulary()
const text = ref('')
const last = computed(() => start.lastOf(props.expected.id, start.run))
const si = computed(() => (last.value ? start.valueOf(last.value) : null))
const seconds = computed(() => (last.value ? start.since(last.value) : start.seconds))
const band = computed(() => foreseen(props.expected, start.seconds))
const bandThen = computed(() => foreseen(props.expected, seconds.value))
const verdict = computed(() => (si.value === null ? null : judge(props.expected, si.value, seconds.value)))
const timed = computed(() => props.expected.kind === 'time')
const shown = (si: number) => (timed.value ? clock(si) : words.show(si, props.expected.kind))
const said = computed(() => {
  const v = verdict.value
  if (!v) return ''
  const gap = props.expected.kind === 'temperature' ? 'temperature_difference' : props.expected.kind
  const off = timed.value ? clock(Math.abs(v.off)) : words.show(Math.abs(v.off), gap)
  return { stop: `Stop: ${off} past its mark.`, over: `${off} over the band, no stop.`, under: `${off} under the band, no stop.`, inside: 'As foretold.', unknown: 'Kept; nothing is foretold of it.' }[v.kind]
})
const shows = computed(() => (engine.on ? engine.shows(props.expected.id) : null))
function take(value: string, madeUp: boolean): void {
  if (!value.trim()) return
  void start.take(props.expected.id, props.expected.kind, value, madeUp)
  text.value = ''
}
watch(() => props.expected.id, () => (text.value = ''))
</script>

<template>
  <section class="card pad">
    <div class="head"><h2>{{ expected.label }}</h2><span v-if="last" class="mute">taken {{ clock(seconds) }}</span></div>
    <form class="pair" @submit.prevent="take(text, false)">
      <button v-if="timed" class="button happened" type="button" @click="take(`${Math.round(start.seconds)} s`, false)">It happens now</button>
      <label v-else>Taken<span class="entry"><input v-model="text" class="input" inputmode="decimal" maxlength="40" :placeholder="si === null ? '' : words.number(si, expected.kind)" /><i>{{ words.unit(expected.kind) }}</i></span></label>
      <div class="foretold"><span class="label">Foretold{{ expected.curve.length ? ' now' : '' }}</span><b class="figure">{{ band ? shown(band.likely) : '—' }}</b><span class="mute">{{ band ? `${timed ? clock(band.low) : words.number(band.low, expected.kind)} to ${timed ? clock(band.high) : words.number(band.high, expected.kind)}` : 'not known' }}</span></div>
      <button v-if="!timed" class="button main" type="submit" :disabled="!text.trim()">Take</button>
    </form>
    <button v-if="shows !== null" class="textlink" type="button" @click="take(bare(shows, words.kinds[expected.kind]), true)">the simulated gauge shows {{ words.show(shows, expected.kind) }}: take it</button>
    <GaugeGlass v-if="!timed" :expected="expected" :band="bandThen ?? band" :si="si" :verdict="verdict?.kind" />
    <p v-if="said" :class="{ over: verdict?.kind === 'stop', holds: verdict?.kind === 'inside' }"><b>{{ said }}</b></p>
    <p class="mute">{{ expected.how }}</p>
    <p v-if="expected.missing.length" class="mute">Not foretold: {{ expected.missing.map((m) => m.label.toLowerCase()).join(', ') }} not stated. The stop stands.</p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: baseline;
}
.head h2 {
  font: 600 18px/1.3 var(--words);
}
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) auto;
  gap: 12px;
  align-items: end;
  margin: 6px 0 10px;
}
label {
  font: 600 12px var(--labels);
  color: var(--mute);
  display: grid;
  gap: 3px;
}
.entry {
  position: relative;
}
.entry .input {
  width: 100%;
  min-height: 52px;
  font: 600 26px var(--labels);
}
.entry i {
  position: absolute;
  right: 10px;
  top: 17px;
  font: 500 16px var(--labels);
  color: var(--mute);
}
.foretold {
  display: grid;
}
.foretold b {
  font: 600 26px/1.1 var(--labels);
}
.pair .button {
  min-height: 52px;
  padding: 0 18px;
  font-size: 17px;
}
.happened {
  font-size: 17px;
}
.holds {
  color: var(--holds);
}
</style>
