<script setup lang="ts">
import { computed } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { fanPlaces, type Neck, type Stack } from '../logic'

/** The stack from the front, to scale: the opening, the cores, the fans, the necks and heights over the ground. */
const props = defineProps<{ stack: Stack }>()
const words = useVocabulary()
const HEIGHT = 200
const core = computed(() => props.stack.layers.find((l) => l.kind === 'core'))
/** The condenser covers the whole face and would hide it. */
const coolers = computed(() => props.stack.layers.filter((l) => l.kind === 'cooler' && l.id !== 'condenser' && l.width !== null && l.height !== null))
const foot = computed(() => props.stack.foot ?? 0)
const tall = computed(() => {
  const heights = [core.value?.height ?? 0, props.stack.opening.height ?? 0]
  const over = [...props.stack.necks.map((n) => n.height ?? 0), ...props.stack.run.map((r) => r.height), props.stack.filler ?? 0].map((h) => h - foot.value)
  return Math.max(...heights, ...(props.stack.foot === null ? [] : over), 0.05)
})
const wide = computed(() => Math.max(core.value?.width ?? 0, props.stack.opening.width ?? 0, 0.05))
const scale = computed(() => Math.min(HEIGHT / tall.value, 300 / wide.value))
const y = (height: number) => HEIGHT - (height - foot.value) * scale.value
const middle = 280
const face = computed(() => ({ w: (core.value?.width ?? 0) * scale.value, h: (core.value?.height ?? 0) * scale.value }))
const fan = computed(() => props.stack.layers.find((l) => l.kind === 'fan'))
const fans = computed(() => (fan.value?.width && core.value?.width && core.value.height
  ? fanPlaces(fan.value.count, core.value.width, core.value.height).map(([x, up]) => ({ x: middle + x * scale.value, y: HEIGHT - face.value.h / 2 - up * scale.value, r: ((fan.value?.width ?? 0) / 2) * scale.value }))
  : []))
/** As seen from the front, the machine's left is on the right. */
const neckX = (neck: Neck) => middle + (neck.side === 'left' ? 1 : neck.side === 'right' ? -1 : 0) * (face.value.w / 2 + (neck.id.startsWith('core') ? 0 : 30))
const necks = computed(() => (props.stack.foot === null ? [] : props.stack.necks.filter((n) => n.height !== null)))
const opening = computed(() => ({ w: (props.stack.opening.width ?? 0) * scale.value, h: (props.stack.opening.height ?? 0) * scale.value }))
const place = computed(() => {
  if (props.stack.foot === null) return 'Give the height of the core\'s foot and of the necks over the ground to see where air gathers.'
  const air = props.stack.run.filter((r) => r.air)
  if (!props.stack.run.length) return ''
  if (air.length) return `Air gathers at ${air.map((r) => `${r.name}, ${words.show(r.height, 'height')}`).join('; ')}: bleed there.`
  return 'The run lets its air out by itself.'
})
</script>

<template>
  <figure v-if="core?.width && core.height" class="drawing" tabindex="0">
    <svg viewBox="-30 -22 620 252" role="img" :aria-label="`From the front: core ${words.show(core.width, 'length')} by ${words.show(core.height, 'length')}`">
      <rect v-if="opening.w && opening.h" :x="middle - opening.w / 2" :y="HEIGHT - opening.h" :width="opening.w" :height="opening.h" class="opening" />
      <rect :x="middle - face.w / 2" :y="HEIGHT - face.h" :width="face.w" :height="face.h" class="core" />
      <g v-for="layer in coolers" :key="layer.id">
        <rect :x="middle - ((layer.width ?? 0) * scale) / 2" :y="HEIGHT - face.h / 2 - ((layer.height ?? 0) * scale) / 2" :width="(layer.width ?? 0) * scale" :height="(layer.height ?? 0) * scale" class="cooler" />
        <text :x="middle" :y="HEIGHT - face.h / 2 - ((layer.height ?? 0) * scale) / 2 - 5" text-anchor="middle">{{ layer.name }}</text>
      </g>
      <circle v-for="(disc, i) in fans" :key="i" :cx="disc.x" :cy="disc.y" :r="disc.r" class="fan" />
      <g v-for="neck in necks" :key="neck.id">
        <circle :cx="neckX(neck)" :cy="y(neck.height ?? 0)" r="6" :class="neck.id.startsWith('core') ? 'neck' : 'other'" />
        <text :x="neckX(neck) + (neck.side === 'right' ? -10 : 10)" :y="y(neck.height ?? 0) + 4" :text-anchor="neck.side === 'right' ? 'end' : 'start'">{{ neck.name }} {{ words.show(neck.height, 'height') }}</text>
      </g>
      <path v-if="stack.filler !== null && stack.foot !== null" :d="`M${middle - 14} ${y(stack.filler)}h28`" class="filler" />
      <text v-if="stack.filler !== null && stack.foot !== null" :x="middle + 20" :y="y(stack.filler) - 1">filler {{ words.show(stack.filler, 'height') }}</text>
      <line x1="60" x2="500" :y1="HEIGHT" :y2="HEIGHT" class="floor" />
      <text :x="middle" :y="HEIGHT + 20" text-anchor="middle">{{ words.show(core.width, 'length') }} × {{ words.show(core.height, 'length') }}{{ opening.w && opening.h ? `, opening ${words.show(stack.opening.width, 'length')} × ${words.show(stack.opening.height, 'length')}` : '' }}</text>
    </svg>
    <figcaption class="mute">From the front. {{ place }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  --lettering: 15px;
  --least: 500px;
  margin: 12px 0 0;
}
.opening {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 6 4;
}
.core {
  fill: var(--glass);
  stroke: var(--cooling);
  stroke-width: 2.5;
}
.cooler {
  fill: none;
  stroke: var(--air);
  stroke-width: 2;
  stroke-dasharray: 3 3;
}
.fan {
  fill: none;
  stroke: var(--duties);
  stroke-width: 2;
}
.neck {
  fill: var(--cooling);
}
.other {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2;
}
.filler {
  fill: none;
  stroke: var(--brass);
  stroke-width: 4;
}
.floor {
  stroke: var(--line);
}
</style>
