<script setup lang="ts">
import { computed, useId } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { outline, path, planeOf, PLANES, seen, type Gap, type Lie } from '../logic'

/** The tightest place enlarged, as it stands in its worst position: both solids, their nearest points, what is kept. */
const props = defineProps<{ data: Lie; gap: Gap; off: number | null }>()
const words = useVocabulary()
const id = useId()
const plane = computed(() => planeOf(props.gap))
const from = computed(() => seen(plane.value, props.gap.at as [number, number, number]))
const to = computed(() => seen(plane.value, props.gap.other as [number, number, number]))
const middle = computed(() => [(from.value[0] + to.value[0]) / 2, (from.value[1] + to.value[1]) / 2] as const)
const radius = computed(() => Math.max(60, 1300 * Math.max(Math.abs(props.gap.gap), props.gap.keep)))
const own = computed(() => (props.gap.stance === props.data.stance ? props.data.ghost : props.data.things).find((t) => t.id === props.gap.unit) ?? props.data.things.find((t) => t.id === props.gap.unit))
const other = computed(() => props.data.things.find((t) => t.id === props.gap.machine.replace('_bump', '')))
const u = computed(() => radius.value / 105)
const shown = computed(() => (props.gap.gap < 0 ? `${words.show(-props.gap.gap, 'size')} in each other` : `${words.show(props.gap.gap, 'size')}${props.off ? ` ± ${words.show(props.off, 'size')}` : ''}`))
</script>

<template>
  <figure>
    <svg :viewBox="`${middle[0] - radius} ${middle[1] - radius} ${2 * radius} ${2 * radius}`" role="img" :aria-label="`${gap.name}: ${shown}`" :style="{ '--u': `${u}px` }">
      <clipPath :id="id"><circle :cx="middle[0]" :cy="middle[1]" :r="radius - 2 * u" /></clipPath>
      <g :clip-path="`url(#${id})`">
        <path v-if="other" :d="path(outline(plane, other))" class="other" />
        <path v-if="own" :d="path(outline(plane, own))" class="own" />
        <circle :cx="to[0]" :cy="to[1]" :r="1000 * gap.keep" class="keep" />
        <line :x1="from[0]" :y1="from[1]" :x2="to[0]" :y2="to[1]" class="between" :class="{ over: gap.slack < 0 }" />
        <circle v-for="(e, i) in [from, to]" :key="i" :cx="e[0]" :cy="e[1]" :r="2.6 * u" class="dot" />
      </g>
      <circle :cx="middle[0]" :cy="middle[1]" :r="radius - 2 * u" class="rim" />
    </svg>
    <figcaption>
      <strong :class="{ over: gap.slack < 0 }">{{ shown }}</strong>
      <span class="mute">{{ gap.name }}, keep {{ words.show(gap.keep, 'size') }}; {{ PLANES[plane].toLowerCase() }}.</span>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  justify-items: center;
  gap: 4px;
}
svg {
  width: 100%;
  max-width: 190px;
}
.own {
  fill: var(--fit);
  fill-opacity: 0.55;
  stroke: var(--fit);
  stroke-width: calc(1.5 * var(--u));
}
.other {
  fill: var(--line);
  stroke: var(--mute);
  stroke-width: calc(1.5 * var(--u));
}
.keep {
  fill: none;
  stroke: var(--ink);
  stroke-width: var(--u);
  stroke-dasharray: calc(4 * var(--u)) calc(3 * var(--u));
}
.between {
  stroke: var(--ink);
  stroke-width: calc(2 * var(--u));
}
.between.over {
  stroke: var(--over);
}
.dot {
  fill: var(--ink);
}
.rim {
  fill: none;
  stroke: var(--brass-line);
  stroke-width: calc(3 * var(--u));
}
figcaption {
  display: grid;
  text-align: center;
  font-size: 13.5px;
}
strong {
  font: 600 18px/1.2 var(--labels);
}
</style>
