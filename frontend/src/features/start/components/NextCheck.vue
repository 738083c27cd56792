<script setup lang="ts">
import { computed, ref } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import CautionNote from '../../../ui/CautionNote.vue'
import type { Next } from '../logic'
import { useEngine } from '../useEngine'
import { useStart } from '../useStart'

/** A check: how, what each of the likeliest causes would show, and the field or the buttons for what is found. */
const props = defineProps<{ check: Next; group: string; open: number; first?: boolean }>()
const start = useStart()
const engine = useEngine()
const words = useVocabulary()
const text = ref('')
const COUNTS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve']
const count = (n: number) => COUNTS[Math.round(n)] ?? String(Math.round(n))
const leaves = computed(() => `leaves about ${count(Math.max(props.check.leaves, 1))} of ${count(Math.max(props.open, 1))} causes`)
const shown = computed(() => props.check.foreseen.filter((f) => f.value !== null || f.outcomes.length))
const ends = computed(() => {
  const all = shown.value.flatMap((f) => [f.low, f.high]).filter((v): v is number => v !== null)
  return { low: Math.min(...all), high: Math.max(...all) }
})
const at = (value: number | null) => (value === null ? 0 : (100 * (value - ends.value.low)) / (ends.value.high - ends.value.low || 1))
const likeliest = (outcomes: number[]) => props.check.outcomes[outcomes.indexOf(Math.max(...outcomes))] ?? ''
const made = computed(() => (engine.on ? engine.looks[`${props.group}__${props.check.id}`] : undefined))
const WHEN: Record<string, string> = { off: 'engine off', crank: 'cranking', idle: 'idling', move: 'on a drive', grade: 'under load' }
function enter(value: string): void {
  if (value.trim()) void start.look(props.group, props.check.id, props.check.kind, value)
  text.value = ''
}
</script>

<template>
  <section :class="first ? 'card pad first' : 'pad'">
    <template v-if="first"><h2 class="label">Next check</h2><p class="name">{{ check.label }}</p></template>
    <p class="mute">{{ check.minutes < 1 ? 'half a minute' : `${check.minutes} min` }}, {{ WHEN[check.when] }} · {{ leaves }}</p>
    <p>{{ check.how }}</p>
    <CautionNote v-if="check.danger" :text="check.danger" />
    <ul v-if="check.kind && shown.length" class="axis">
      <li v-for="f in shown" :key="f.cause"><span>{{ f.label }}</span><span class="track" role="img" :aria-label="`${f.label}: ${words.show(f.value, check.kind)}`"><i :style="{ left: `${at(f.low)}%`, width: `${Math.max(at(f.high) - at(f.low), 1)}%` }" /></span><b class="figure">{{ words.show(f.value, check.kind) }}</b></li>
    </ul>
    <ul v-else-if="shown.length" class="axis words">
      <li v-for="f in shown" :key="f.cause"><span>{{ f.label }}</span><b>{{ likeliest(f.outcomes) }}</b></li>
    </ul>
    <form v-if="check.kind" @submit.prevent="enter(text)"><input v-model="text" class="input" inputmode="decimal" maxlength="40" :aria-label="check.label" :placeholder="words.unit(check.kind)" /><button class="button main" type="submit" :disabled="!text.trim()">Enter</button></form>
    <div v-else class="outcomes"><button v-for="o in check.outcomes" :key="o" class="button" type="button" @click="enter(o)">{{ o }}</button></div>
    <button v-if="made" class="textlink" type="button" @click="enter(made)">on the simulated engine: {{ made }}</button>
  </section>
</template>

<style scoped>
.first {
  border-left: 4px solid var(--brass-line);
}
.name {
  font: 600 19px/1.3 var(--words);
}
.axis {
  margin: 10px 0;
  padding: 0;
  font: 500 15px var(--labels);
}
.axis li {
  list-style: none;
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr) 74px;
  gap: 10px;
  align-items: center;
  padding: 3px 0;
}
.words li {
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
}
.track {
  position: relative;
  height: 12px;
  background: var(--glass);
}
.track i {
  position: absolute;
  top: 0;
  bottom: 0;
  border: 1.5px solid var(--ink);
  background: var(--card);
}
.figure {
  text-align: right;
}
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 0.8fr);
  gap: 8px;
}
form > *,
.outcomes .button {
  min-height: 50px;
  font-size: 17px;
}
.outcomes {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.outcomes .button {
  flex: 1 1 140px;
}
</style>
