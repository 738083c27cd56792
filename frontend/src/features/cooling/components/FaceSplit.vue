<script setup lang="ts">
import { computed } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'

/** The face without a shroud, cut through: the part the fans cover and the open part, with what goes through each. */
const props = defineProps<{ zones: { covered: number; fan: number; open: number | null; back_mass_flow: number } }>()
const words = useVocabulary()
const WIDTH = 560
const cut = computed(() => WIDTH * props.zones.covered)
const fastest = computed(() => Math.max(Math.abs(props.zones.fan), Math.abs(props.zones.open ?? 0), 0.1))
const arrow = (x: number, velocity: number) => {
  const long = (34 * velocity) / fastest.value
  const tip = Math.sign(velocity) * 7
  return `M${x} ${45 - long}V${45 + long}m-6 ${-tip}l6 ${tip}l6 ${-tip}`
}
function places(from: number, to: number): number[] {
  const count = Math.max(1, Math.round((to - from) / 70))
  return Array.from({ length: count }, (_, i) => from + ((i + 0.5) * (to - from)) / count)
}
const backwards = computed(() => (props.zones.open ?? 0) < 0)
</script>

<template>
  <figure class="drawing" tabindex="0">
    <svg viewBox="0 -4 560 104" role="img" :aria-label="`Fan's part ${words.show(zones.fan, 'speed_m_s')}, open part ${words.show(zones.open, 'speed_m_s')}`">
      <rect x="0" y="38" :width="cut" height="14" class="fan" />
      <rect :x="cut" y="38" :width="WIDTH - cut" height="14" class="open" />
      <path v-for="x in places(0, cut)" :key="x" :d="arrow(x, zones.fan)" class="air" />
      <path v-for="x in places(cut, WIDTH)" :key="x" :d="arrow(x, zones.open ?? 0)" class="air" :class="{ over: backwards }" />
      <text :x="4" y="97">behind the fan {{ words.show(zones.fan, 'speed_m_s') }}, {{ Math.round(100 * zones.covered) }} % of the face</text>
      <text :x="WIDTH - 4" y="97" text-anchor="end" :class="{ over: backwards }">open part {{ words.show(zones.open, 'speed_m_s') }}</text>
    </svg>
    <figcaption class="mute">
      <template v-if="backwards">{{ zones.back_mass_flow.toFixed(2) }} kg/s blows back through the open part and goes round again: a shroud stops that.</template>
      <template v-else>Without a shroud the fan serves its own disc; the rest sees ram alone.</template>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  --lettering: 13px;
  --least: 440px;
  margin: 10px 0 0;
}
.fan {
  fill: var(--cooling);
}
.open {
  fill: var(--glass);
  stroke: var(--line);
}
.air {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.air.over {
  stroke: var(--over);
  stroke-dasharray: 5 3;
}
</style>
