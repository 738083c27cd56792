<script setup lang="ts">
import { computed } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { scale, type Expected } from '../logic'

/** A gauge as a glass: its level is what was read, the whisker what is foretold, the thick tick where the engine is stopped. */
const props = defineProps<{ expected: Expected; band: { low: number; high: number } | null; si: number | null; small?: boolean; verdict?: string }>()
const words = useVocabulary()
const at = computed(() => scale(props.expected, props.band, props.si))
const stop = computed(() => props.expected.most ?? props.expected.least)
const said = computed(() => {
  const kind = props.expected.kind
  const band = props.band ? `, foretold ${words.show(props.band.low, kind)} to ${words.show(props.band.high, kind)}` : ''
  const ends = stop.value === null ? '' : `, ${props.expected.most !== null ? 'stop over' : 'must stay above'} ${words.show(stop.value, kind)}`
  return `${props.expected.label}: ${props.si === null ? 'not read' : words.show(props.si, kind)}${band}${ends}`
})
</script>

<template>
  <div class="glass" :class="{ small, stopped: verdict === 'stop' }" role="img" :aria-label="said">
    <span v-if="si !== null" class="level" :style="{ width: `${100 * at(si)}%` }" />
    <span v-if="band" class="band" :style="{ left: `${100 * at(band.low)}%`, width: `${Math.max(100 * (at(band.high) - at(band.low)), 0.6)}%` }" />
    <span v-if="stop !== null" class="stop" :style="{ left: `${100 * at(stop)}%` }" />
    <template v-if="!small">
      <span v-if="band" class="under" :style="{ left: `${100 * at(band.low)}%` }">{{ words.number(band.low, expected.kind) }}</span>
      <span v-if="band && at(band.high) - at(band.low) > 0.1" class="under" :style="{ left: `${100 * at(band.high)}%` }">{{ words.number(band.high, expected.kind) }}</span>
      <span v-if="stop !== null" class="under end" :style="{ left: `${100 * at(stop)}%` }">{{ expected.most !== null ? 'stop' : 'above' }} {{ words.number(stop, expected.kind) }}</span>
    </template>
  </div>
</template>

<style scoped>
.glass {
  position: relative;
  height: 22px;
  background: var(--glass);
  border: 1px solid var(--line);
  border-radius: 3px;
  margin-bottom: 22px;
}
.small {
  height: 14px;
  width: 90px;
  flex: none;
  margin: 0;
}
.level {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--cooling);
  border-radius: 2px 0 0 2px;
  opacity: 0.85;
}
.stopped .level {
  background: repeating-linear-gradient(-45deg, var(--over) 0 4px, var(--over-soft) 4px 8px);
}
.band {
  position: absolute;
  top: 50%;
  border-top: 2px solid var(--ink);
}
.band::before,
.band::after {
  content: '';
  position: absolute;
  top: -7px;
  height: 12px;
  border-left: 2px solid var(--ink);
}
.band::before {
  left: 0;
}
.band::after {
  right: 0;
}
.stop {
  position: absolute;
  top: -5px;
  bottom: -5px;
  border-left: 4px solid var(--over);
  margin-left: -2px;
}
.under {
  position: absolute;
  top: 25px;
  transform: translateX(-50%);
  font: 600 13px/1 var(--labels);
  color: var(--mute);
  white-space: nowrap;
}
.end {
  color: var(--over);
}
</style>
