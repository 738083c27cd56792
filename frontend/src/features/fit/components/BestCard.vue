<script setup lang="ts">
import { computed, watch } from 'vue'
import type { Sought } from '../../../api/client'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import ProgressLine from '../../../ui/ProgressLine.vue'
import { useSearch } from '../../../station/useSearch'
import { moveWords } from '../logic'

/** The best place, what holds the engine there, what each change buys: also those that buy nothing. */
const emit = defineEmits<{ found: [moved: number[] | null] }>()
const words = useVocabulary()
const { found, offered, progress, failed, stale, ask, stop } = useSearch('fit/best')
const { send, trouble } = useSending()
watch([found, stale], () => emit('found', stale.value ? null : (found.value?.moved ?? null)))
type Buy = Sought<'fit/best'>['buys'][number]
const saying = (b: Buy) => b.words.replace('{by}', words.show(b.by, b.kind))
const spare = (m: number) => (m < 0 ? `${words.show(-m, 'size')} short` : `${words.show(m, 'size')} to spare`)
const way = computed(() => {
  const m = found.value?.moved
  return m ? moveWords({ ahead: m[0], left: m[1], up: m[2], pitch: m[3], yaw: m[4], roll: m[5] }, words.show) : ''
})
const buys = computed(() => found.value?.buys.filter((b) => b.gain >= 5e-5) ?? [])
const nothing = computed(() => found.value?.buys.filter((b) => b.gain < 5e-5) ?? [])
const WAYS: Record<string, [string, string]> = { ahead: ['forward', 'back'], left: ['left', 'right'], up: ['up', 'down'], pitch: ['nose up', 'nose down'] }
/** What else it does: load on this end's axle, bend of the propshaft's joint. */
const besides = (m: Sought<'fit/best'>['moves'][number]) => [
  ...(Math.abs(m.axle) >= 0.05 ? [`${m.axle > 0 ? '+' : '−'}${words.show(Math.abs(m.axle), 'mass')} on this axle`] : []),
  ...(m.pickup !== null && Math.abs(m.pickup) >= 5e-4 ? [`oil over the pickup ${m.pickup > 0 ? '+' : '−'}${words.show(Math.abs(m.pickup), 'size')}`] : []),
  ...(Math.abs(m.joint) >= 1e-3 ? [`shaft joint ${m.joint > 0 ? '+' : '−'}${words.show(Math.abs(m.joint), 'angle')}`] : []),
]
const move = (m: Sought<'fit/best'>['moves'][number]) => `${words.show(Math.abs(m.by), m.kind)} ${WAYS[m.way]?.[m.by > 0 ? 0 : 1]}`
</script>

<template>
  <section class="card pad" data-best>
    <div class="cardhead">
      <h2 class="label">What holds the best place</h2>
      <button v-if="!progress" class="button" type="button" @click="ask">{{ found ? 'Seek again' : 'Seek the best place' }}</button>
    </div>
    <ProgressLine v-if="progress" :done="progress.done" :of="progress.of" label="Places and changes tried" stoppable @stop="stop" />
    <template v-if="found">
      <p v-if="stale" class="mute">Of the build before the last change.</p>
      <p><strong :class="{ over: found.slack < 0 }">{{ spare(found.slack) }}</strong> at best, {{ spare(found.now) }} where it lies{{ way ? `: ${way}` : '' }}.
        <button v-if="offered.length && !stale" class="textlink" type="button" @click="send(...offered.map((e) => line(e.path, e.text, e)))">Go there</button>
      </p>
      <div v-if="found.weights.length" class="weights" role="img" :aria-label="`Weights: ${found.weights.map((w) => `${w.name} ${w.weight.toFixed(2)}`).join(', ')}`">
        <span v-for="(w, i) in found.weights" :key="w.name" :style="{ '--share': w.weight, '--deep': 1 - 0.17 * i }"><b v-if="w.weight > 0.14">{{ w.name.toLowerCase() }} {{ w.weight.toFixed(2).replace('0.', '.') }}</b></span>
      </div>
      <p v-if="found.weights[0]" class="mute">A millimetre eased at {{ found.weights[0].name.toLowerCase() }} buys {{ found.weights[0].weight.toFixed(2) }} mm. The rest of the engine is free. Measure next: a ball of clay {{ found.weights.slice(0, 2).map((w) => `between ${w.name.toLowerCase()}`).join(', another ') }}; rock the engine with a lever and read a rule.</p>
      <ul class="buys">
        <li v-for="b in buys" :key="b.id"><span>{{ saying(b) }}</span><span class="figure">+{{ words.show(b.gain, 'size') }}</span></li>
        <li v-if="nothing.length" class="mute"><span>{{ nothing.map(saying).join(' · ') }}</span><span class="figure">{{ words.show(0, 'size') }}</span></li>
      </ul>
      <h3 class="label">One move at a time, from where it lies</h3>
      <ul class="buys">
        <li v-for="m in found.moves" :key="m.way + m.by"><span>{{ move(m) }}<span class="mute"> · {{ [m.binds.toLowerCase(), ...besides(m)].join(' · ') }}</span></span><span class="figure" :class="{ over: m.slack < 0 }">{{ spare(m.slack) }}</span></li>
      </ul>
    </template>
    <p v-else-if="failed" class="over" role="alert">The search did not come through. Try again.</p>
    <p v-else-if="!progress" class="mute">Some hundreds of places are tried within 100 mm along, 80 up, 3° of tilt; the weights then say what holds the engine, and what easing each thing buys.</p>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.weights {
  display: flex;
  height: 26px;
  margin: 8px 0 4px;
  border: 1px solid var(--line);
  border-radius: 3px;
  overflow: hidden;
}
.weights span {
  flex: var(--share) 0 0;
  background: color-mix(in oklab, var(--fit) calc(70% * var(--deep)), var(--card));
  border-right: 1px solid var(--card);
  font: 600 13px/26px var(--labels);
  text-align: center;
  white-space: nowrap;
  overflow: hidden;
  color: var(--ink);
}
.buys {
  list-style: none;
  margin: 6px 0 10px;
  padding: 0;
}
.buys li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 3px 0;
  border-top: 1px solid var(--line);
}
.figure {
  white-space: nowrap;
}
</style>
