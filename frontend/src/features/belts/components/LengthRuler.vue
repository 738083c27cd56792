<script setup lang="ts">
import { computed } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { ruler, type Route } from '../logic'

/** A ruler of the lengths sold; the glass is what serves new and worn, the level how it stands. */
const props = defineProps<{ bought: NonNullable<Route['bought']> }>()
const words = useVocabulary()
const own = computed(() => ruler(props.bought))
const W = 500
const x = (v: number) => 14 + own.value.at(v) * (W - 28)
const serves = computed(() => props.bought.high > props.bought.low)
const show = (v: number) => words.show(v, 'length')
const bare = (v: number) => show(v).replace(/[^\d.,]+$/, '')
/** Lengths that are named: those that serve, where they stand apart, else every so many. */
const near = computed(() => own.value.every > 2)
const named = (v: number, i: number) => (near.value ? i % own.value.every === 0 : props.bought.sold.includes(v) || i % own.value.every === 0)
const fits = computed(() => props.bought.owned !== null && props.bought.owned >= props.bought.low && props.bought.owned <= props.bought.high)
const said = computed(() => (serves.value ? `${show(props.bought.low)} to ${show(props.bought.high)} effective length serve, new and worn` : 'no length serves, new and worn'))
</script>

<template>
  <figure class="ruler">
    <figcaption><span class="label">Length to buy</span> <span class="mute">{{ said }}</span></figcaption>
    <div class="drawing" tabindex="0">
      <svg :viewBox="`0 0 ${W} 62`" role="img" :aria-label="said">
        <rect v-if="serves" :x="x(bought.low)" y="8" :width="Math.max(x(bought.high) - x(bought.low), 2)" height="13" class="glass" />
        <line :x1="x(bought.now)" :x2="x(bought.now)" y1="4" y2="25" class="now" />
        <line x1="14" :x2="W - 14" y1="31" y2="31" class="axis" />
        <g v-for="(v, i) in own.ticks" :key="v">
          <line :x1="x(v)" :x2="x(v)" y1="31" :y2="bought.sold.includes(v) ? 41 : 36" :class="bought.sold.includes(v) ? 'sold' : 'axis'" />
          <text v-if="named(v, i)" :x="x(v)" y="54" text-anchor="middle" :class="{ strong: bought.sold.includes(v) }">{{ bare(v) }}</text>
        </g>
        <g v-if="bought.owned !== null">
          <path :d="`M${x(bought.owned)} 31l-5 -9h10z`" :class="fits ? 'yours' : 'not'" />
        </g>
      </svg>
    </div>
    <p v-if="bought.owned !== null" :class="fits ? 'mute' : 'over'">The one there: {{ show(bought.owned) }}{{ fits ? ', serves' : ', does not serve' }}.</p>
  </figure>
</template>

<style scoped>
.ruler {
  margin: 8px 0 0;
}
.glass {
  fill: color-mix(in oklab, var(--belts) 35%, var(--glass));
  stroke: var(--line);
}
.now {
  stroke: var(--ink);
  stroke-width: 2.5;
}
.axis {
  stroke: var(--mute);
}
.sold {
  stroke: var(--ink);
  stroke-width: 2;
}
.yours {
  fill: var(--brass-line);
}
.not {
  fill: var(--over);
}
text {
  font: 500 12px var(--labels);
  fill: var(--mute);
}
text.strong {
  fill: var(--ink);
  font-weight: 600;
}
</style>
