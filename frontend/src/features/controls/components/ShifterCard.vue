<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import NamedValues from '../../../ui/NamedValues.vue'
import Unseen from '../../../ui/Unseen.vue'
import { knobBox, shifterSaid } from '../logic'

/** The knob from above in every gear, what is round it, where the gearbox puts it. */
const words = useVocabulary()
const { data, waiting } = useInstrument('controls/shifter', ref({}))
const show = (v: number, kind: string) => words.show(v, kind)
const said = computed(() => (data.value ? shifterSaid(data.value, show) : ''))
const bad = computed(() => Boolean(data.value?.gears.some((g) => g.room !== null && g.room < (data.value?.knuckles ?? 0)) || (data.value?.jumps != null && data.value.detent !== null && data.value.jumps > data.value.detent)))
const box = computed(() => (data.value ? knobBox(data.value) : { wide: 0.1, high: 0.1 }))
const u = computed(() => (2 * box.value.wide) / 420)
const walls = computed(() => {
  const d = data.value
  if (!d) return []
  const { wide, high } = box.value
  return [
    ...(d.ahead === null ? [] : [{ id: 'ahead', d: `M${-wide} ${-d.ahead}H${wide}` }]),
    ...(d.behind === null ? [] : [{ id: 'behind', d: `M${-wide} ${d.behind}H${wide}` }]),
    ...(d.left === null ? [] : [{ id: 'left', d: `M${-d.left} ${-high}V${high}` }]),
    ...(d.right === null ? [] : [{ id: 'right', d: `M${d.right} ${-high}V${high}` }]),
  ]
})
const rows = computed(() => {
  const d = data.value
  if (!d) return []
  return [
    { label: 'Shifted by', shown: d.by },
    ...(d.ratio === null ? [] : [{ label: 'Lever over selector', shown: d.ratio.toFixed(1) }]),
    ...(d.off_left === null ? [] : [{ label: 'Off to the side', shown: `${show(Math.abs(d.off_left), 'size')} ${d.off_left > 0 ? 'left' : 'right'}` }]),
    ...(d.jumps === null || d.detent === null ? [] : [{ label: `Engine’s rock moves its rods, ${show(d.detent, 'size')} hold`, shown: show(d.jumps, 'size'), over: d.jumps > d.detent }]),
  ]
})
</script>

<template>
  <section class="card pad" data-shifter>
    <h2 class="label">Shifter</h2>
    <template v-if="data">
      <p role="status"><strong :class="{ over: bad }">{{ said }}</strong></p>
      <div v-if="data.gears.length" class="drawing" tabindex="0">
        <svg :viewBox="`${-box.wide} ${-box.high} ${2 * box.wide} ${2 * box.high}`" :style="{ '--u': `${u}px` }" role="img" :aria-label="`The knob from above, forward up: ${data.gears.map((g) => `${g.gear}${g.room === null ? '' : ` ${show(g.room, 'size')} to what is ${g.against}`}`).join('; ')}`">
          <path v-for="w in walls" :key="w.id" :d="w.d" class="wall" />
          <path v-for="g in data.gears" :key="`p${g.gear}`" :d="`M0 0H${g.right}V${-g.ahead}`" class="way" />
          <g v-for="g in data.gears" :key="g.gear">
            <circle :cx="g.right" :cy="-g.ahead" :r="data.knuckles / 2" class="knob" :class="{ over: g.room !== null && g.room < data.knuckles }" />
            <text :x="g.right" :y="-g.ahead + 5 * u" text-anchor="middle">{{ g.gear === 'reverse' ? 'R' : g.gear }}</text>
          </g>
        </svg>
      </div>
      <NamedValues :rows="rows" />
      <p class="mute">Forward is up, lines are what is round the knob; a hand asks {{ show(data.knuckles, 'size') }}. Rods from a lever on the body pull out of gear as the engine rocks: pivot it on the unit, or use cables. Tried in every gear with the engine fully seated.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>

<style scoped>
.drawing svg {
  display: block;
  width: 100%;
  max-height: 360px;
}
.wall {
  stroke: var(--ink);
  stroke-width: calc(4 * var(--u));
}
.way {
  fill: none;
  stroke: var(--mute);
  stroke-width: calc(2 * var(--u));
}
.knob {
  fill: color-mix(in oklab, var(--controls) 45%, var(--card));
  stroke: var(--ink);
  stroke-width: calc(1 * var(--u));
}
.knob.over {
  fill: color-mix(in oklab, var(--over) 45%, var(--card));
}
text {
  font: 600 calc(15 * var(--u)) var(--labels);
  fill: var(--ink);
}
</style>
