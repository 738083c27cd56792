<script setup lang="ts">
import { computed } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { clock, foreseen, judge, type Expected } from '../logic'
import { useStart } from '../useStart'
import GaugeGlass from './GaugeGlass.vue'

/** A reading in a line: what was taken, what is foretold; pressed, it is the one that is being taken. */
const props = defineProps<{ expected: Expected }>()
const emit = defineEmits<{ pick: [] }>()
const start = useStart()
const words = useVocabulary()
const last = computed(() => start.lastOf(props.expected.id, start.run))
const si = computed(() => (last.value ? start.valueOf(last.value) : null))
const seconds = computed(() => (last.value ? start.since(last.value) : start.seconds))
const band = computed(() => foreseen(props.expected, seconds.value))
const verdict = computed(() => (si.value === null ? '' : judge(props.expected, si.value, seconds.value).kind))
const SAYS: Record<string, string> = { stop: 'stop', over: 'over', under: 'under', inside: 'inside', unknown: 'kept' }
const limit = computed(() => (props.expected.least !== null ? `must stay above ${words.show(props.expected.least, props.expected.kind)}` : props.expected.most !== null ? `stop over ${words.show(props.expected.most, props.expected.kind)}` : ''))
</script>

<template>
  <li>
    <button type="button" :aria-label="`${expected.label}: take it`" @click="emit('pick')">
      <span class="what"><b>{{ expected.label }}</b><span class="mute">{{ [last ? `${clock(seconds)}` : '', limit].filter(Boolean).join(' · ') || 'no stop' }}</span></span>
      <GaugeGlass class="glass" :expected="expected" :band="band" :si="si" :verdict="verdict" small />
      <span class="value"><b>{{ si === null ? '—' : expected.kind === 'time' ? clock(si) : words.show(si, expected.kind) }}</b><span class="mute">{{ band ? `foretold ${expected.kind === 'time' ? clock(band.likely) : words.number(band.likely, expected.kind)}` : 'not foretold' }}</span></span>
      <span class="says" :class="verdict">{{ SAYS[verdict] ?? 'take' }}</span>
    </button>
  </li>
</template>

<style scoped>
li {
  list-style: none;
  border-top: 1px solid var(--line);
}
button {
  display: flex;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 58px;
  padding: 7px 14px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.what {
  flex: 1;
  min-width: 0;
  display: grid;
}
.what .mute,
.value .mute {
  font: 500 13.5px var(--labels);
}
.value {
  display: grid;
  text-align: right;
  font-family: var(--labels);
}
.says {
  width: 46px;
  font: 600 14px var(--labels);
  text-align: right;
  color: var(--brass);
}
.inside {
  color: var(--holds);
}
.stop {
  color: var(--over);
}
@media (max-width: 420px) {
  .glass {
    width: 64px;
  }
}
</style>
