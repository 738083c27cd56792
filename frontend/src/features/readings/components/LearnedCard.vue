<script setup lang="ts">
import { computed } from 'vue'
import { Fold } from '../../../ui/lazy'
import { off, share, type Readings } from '../logic'
import { more } from '../../../ui/more'

/** What the readings taught of each factor, what they cannot tell apart, how far the draws of it can be trusted. */
const props = defineProps<{ found: Readings }>()
const wide = computed(() => Math.max(...props.found.factors.map((f) => f.half), 1.1))
const scale = computed<[number, number]>(() => [-Math.log(wide.value), Math.log(wide.value)])
const at = (value: number) => 100 * share(Math.log(value), scale.value)
const span = (low: number, high: number) => ({ left: `${at(low)}%`, width: `${Math.max(at(high) - at(low), 1)}%` })
const rows = computed(() => props.found.factors.map((f) => {
  const spread = Math.exp(1.96 * f.sd)
  return { ...f, before: span(1 / f.half, f.half), after: span(f.value / spread, f.value * spread), told: f.learned >= 0.1 }
}))
const told = computed(() => rows.value.filter((r) => r.told))
const untold = computed(() => rows.value.filter((r) => !r.told).map((r) => r.label))
</script>

<template>
  <section class="card pad" data-learned>
    <div class="cardhead"><h2 class="label">What it taught</h2><span class="mute key">{{ found.known }} of {{ found.factors.length }} told apart</span></div>
    <ul>
      <li v-for="r in told" :key="r.id">
        <span class="line"><span>{{ r.label }}</span><b class="figure">{{ more(r.value) }} ± {{ off(r.sd) }} %</b></span>
        <span class="bar" role="img" :aria-label="`${r.label}: ${more(r.value)}, give or take ${off(r.sd)} percent; ${Math.round(100 * r.learned)} percent of its doubt learned`"><i class="before" :style="r.before" /><i class="after" :style="r.after" /><i class="one" :style="{ left: `${at(1)}%` }" /></span>
        <span class="mute small">{{ Math.round(100 * r.learned) }} % of its doubt learned<template v-if="r.applied !== null && more(r.applied) !== more(r.value)">; the verdicts still go by {{ more(r.applied) }}</template></span>
      </li>
    </ul>
    <p v-for="pair in found.together" :key="pair.join()" class="small">{{ pair[0] }} and {{ pair[1] }} cannot be told apart by these: only what they come to together.</p>
    <p v-if="untold.length" class="mute small">Not told by these readings: {{ untold.join(', ') }}. Their doubt stays as it was.</p>
    <Fold title="How sure is that"><p class="small">{{ Math.round(found.effective) }} of {{ found.of }} draws count once each is weighed by the density itself and not by the bell laid on it. A reading that stands apart counts little: tails of Student's, four degrees of freedom. A factor carries the doubt of the facts of its part: those are held at what was stated while the fit is applied.</p></Fold>
  </section>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
}
li {
  list-style: none;
  display: grid;
  gap: 3px;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: baseline;
}
.figure {
  white-space: nowrap;
}
.bar {
  position: relative;
  display: block;
  height: 12px;
}
.bar i {
  position: absolute;
}
.before {
  top: 4px;
  height: 4px;
  background: var(--line);
  border-radius: 2px;
}
.after {
  top: 2px;
  height: 8px;
  background: var(--cooling);
  border-radius: 2px;
}
.one {
  top: 0;
  bottom: 0;
  border-left: 2px solid var(--ink);
}
.small {
  font-size: 13.5px;
}
.key {
  font: 500 13px var(--labels);
}
</style>
