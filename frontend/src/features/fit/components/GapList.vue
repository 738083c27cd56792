<script setup lang="ts">
import { computed, ref } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { chance } from '../../../station/bands'
import type { Gap } from '../logic'

/** Gaps, the tightest first: what is to spare, what is kept, in which position; the tick is what is kept. */
const props = defineProps<{ gaps: Gap[]; off: (name: string) => number | null; holds: number | null }>()
const words = useVocabulary()
const FEW = 6
const all = ref(false)
const shown = computed(() => (all.value ? props.gaps : props.gaps.slice(0, FEW)))
/** Twice what is kept fills the bar. */
const bar = (g: Gap) => {
  const full = Math.max(3 * g.keep, 0.03)
  const at = (m: number) => Math.min(Math.max(m / full, 0), 1)
  const off = props.off(g.name)
  return { level: at(g.gap), keep: at(g.keep), low: off ? at(g.gap - off) : null, high: off ? at(g.gap + off) : null }
}
const spare = (g: Gap) => (g.slack < 0 ? `${words.show(-g.slack, 'size')} short` : `${words.show(g.slack, 'size')} spare`)
const gap = (g: Gap) => {
  const off = props.off(g.name)
  return `${g.gap < 0 ? `${words.show(-g.gap, 'size')} in each other` : words.show(g.gap, 'size')}${off ? ` ± ${words.show(off, 'size')}` : ''}, keep ${words.show(g.keep, 'size')}`
}
</script>

<template>
  <div class="gaps">
    <h3 class="label">Gaps, worst position named</h3>
    <ul>
      <li v-for="g in shown" :key="g.id">
        <span class="line"><span>{{ g.name }}</span><span class="figure" :class="{ over: g.slack < 0 }">{{ spare(g) }}</span></span>
        <span class="bar" aria-hidden="true" :style="{ '--level': bar(g).level, '--keep': bar(g).keep, '--low': bar(g).low ?? 0, '--high': bar(g).high ?? 0 }" :class="{ short: g.slack < 0 }">
          <i class="level" /><i v-if="bar(g).low !== null" class="whisker" /><i class="keep" />
        </span>
        <span class="mute">{{ gap(g) }} · {{ g.position }}</span>
      </li>
    </ul>
    <p v-if="holds !== null" class="mute">All gaps hold in {{ chance(holds) }} of cases within what is known of the sizes.</p>
    <button v-if="gaps.length > FEW" class="textlink" type="button" :aria-expanded="all" @click="all = !all">{{ all ? 'The tightest only' : `${gaps.length - FEW} more` }}</button>
  </div>
</template>

<style scoped>
.gaps {
  margin-top: 10px;
}
ul {
  list-style: none;
  margin: 4px 0 6px;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(215px, 1fr));
  gap: 8px 18px;
}
li {
  display: grid;
  gap: 3px;
  font-size: 13.5px;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  align-items: baseline;
}
.line > :first-child {
  font-weight: 600;
}
.figure {
  white-space: nowrap;
}
.bar {
  position: relative;
  height: 12px;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--glass);
}
.bar i {
  position: absolute;
  top: 0;
  bottom: 0;
}
.level {
  left: 0;
  width: calc(100% * var(--level));
  background: var(--fit);
  opacity: 0.85;
}
.short .level {
  background: repeating-linear-gradient(-45deg, var(--over) 0 3px, var(--over-soft) 3px 6px);
}
.keep {
  left: calc(100% * var(--keep));
  width: 2px;
  top: -3px !important;
  bottom: -3px !important;
  background: var(--ink);
}
.whisker {
  left: calc(100% * var(--low));
  width: calc(100% * (var(--high) - var(--low)));
  top: 5px !important;
  bottom: auto !important;
  border-top: 1.5px solid var(--ink);
}
</style>
