<script setup lang="ts">
import { computed } from 'vue'
import { ends } from '../../../station/bands'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { costliest, heat, places, type PipeView } from '../logic'

/** The pipe unrolled from flange to tip: width by bore, colour by heat; below it where the pressure goes. */
const props = defineProps<{ data: PipeView }>()
const build = useBuild()
const words = useVocabulary()
const WIDTH = 560
const at = computed(() => places(props.data.pieces, WIDTH, 74))
const widest = computed(() => Math.max(...props.data.pieces.map((p) => p.outside)))
const half = (outside: number) => (26 * outside) / widest.value
/** A maker's figure is always drawn; the end of all exhausts only where it is near, since up to it back pressure only costs. */
const limited = computed(() => props.data.makers || props.data.back_pressure > 0.7 * props.data.limit)
const most = computed(() => Math.max(props.data.back_pressure, limited.value ? props.data.limit : 0, band.value?.[1] ?? 0, 1) * 1.12)
const y = (pascal: number) => 236 - (110 * pascal) / most.value
const profile = computed(() => props.data.pieces.map((p, i) => `L${at.value[i]?.[0]} ${y(p.up)}L${at.value[i]?.[1]} ${y(p.down)}`).join('').replace('L', 'M'))
/** Said where it changes. */
const bores = computed(() => props.data.pieces.map((p) => `${p.share < 1 ? '2 × ' : ''}${words.show(p.outside, 'size')}`).map((said, i, all) => (said === all[i - 1] ? '' : said)))
const worst = computed(() => costliest(props.data.pieces))
/** Back pressure at the flange in 90 of 100 cases, of the duty drawn. */
const band = computed(() => {
  const check = build.report?.systems.exhaust?.checks.find((c) => c.id === 'back_pressure' && c.demand !== null && Math.abs(c.demand - props.data.back_pressure) < 1e-3 * Math.abs(props.data.back_pressure))
  return ends(check?.demand_low, check?.demand_high)
})
const over = computed(() => props.data.back_pressure > props.data.limit)
</script>

<template>
  <div class="drawing" tabindex="0"><svg viewBox="-6 -20 640 280" role="img" :aria-label="`Exhaust from flange to tip: ${words.show(data.back_pressure, 'pressure_difference')} at the flange`">
    <g v-for="(piece, i) in data.pieces" :key="i">
      <rect :x="at[i]?.[0]" :y="56 - half(piece.outside)" :width="(at[i]?.[1] ?? 0) - (at[i]?.[0] ?? 0)" :height="2 * half(piece.outside)" class="pipe" :class="{ lagged: piece.lagged }" :style="{ '--heat': heat(0.5 * (piece.warm + piece.cool)) }" />
      <text v-if="bores[i]" :x="(at[i]?.[0] ?? 0) + 3" y="26" class="strong">{{ bores[i] }}</text>
      <text :x="(at[i]?.[0] ?? 0) + 3" :y="i % 2 ? -4 : 11">{{ piece.name }}{{ piece.lagged ? ', lagged' : '' }}</text>
      <text :x="(at[i]?.[0] ?? 0) + 3" y="102">{{ words.show(piece.warm, 'temperature') }}</text>
      <text :x="((at[i]?.[0] ?? 0) + (at[i]?.[1] ?? 0)) / 2" y="252" text-anchor="middle" :class="{ worst: i === worst }">{{ words.show(piece.up - piece.down, 'pressure_difference') }}</text>
    </g>
    <text :x="WIDTH + 4" y="102">{{ words.show(data.tip, 'temperature') }}</text>
    <rect :x="at[worst]?.[0]" y="116" :width="(at[worst]?.[1] ?? 0) - (at[worst]?.[0] ?? 0)" height="120" class="band" />
    <line x1="0" :x2="WIDTH" y1="236" y2="236" class="floor" />
    <template v-if="limited">
      <line x1="0" :x2="WIDTH" :y1="y(data.limit)" :y2="y(data.limit)" class="limit" />
      <text :x="WIDTH" :y="y(data.limit) - 5" text-anchor="end" class="strong">{{ data.makers ? 'the maker allows' : 'past this none serves' }} {{ words.show(data.limit, 'pressure_difference') }}</text>
    </template>
    <path :d="profile" class="pressure" />
    <path v-if="band" :d="`M-5 ${y(band[0])}h10m-5 0V${y(band[1])}m-5 0h10`" class="whisker" />
    <circle cx="0" :cy="y(data.back_pressure)" r="5" class="ring" :class="{ over }" />
    <text x="10" :y="y(data.back_pressure) - 9" class="strong" :class="{ over }">{{ words.show(data.back_pressure, 'pressure_difference') }} at the flange</text>
  </svg></div>
</template>

<style scoped>
.drawing {
  --lettering: 13px;
}
.pipe {
  fill: color-mix(in oklab, var(--over) calc(100% * var(--heat)), var(--glass));
  stroke: var(--ink);
}
.lagged {
  stroke-width: 3;
  stroke-dasharray: 4 3;
}
.band {
  fill: var(--glass);
}
.floor {
  stroke: var(--line);
}
.limit {
  stroke: var(--ink);
  stroke-width: 2;
}
.pressure {
  fill: none;
  stroke: var(--exhaust);
  stroke-width: 2.5;
}
.whisker {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.ring {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.ring.over {
  stroke: var(--over);
}
text.worst {
  font-weight: 600;
  fill: var(--ink);
}
</style>
