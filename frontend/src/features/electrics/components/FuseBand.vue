<script setup lang="ts">
import { computed } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import type { WiresView } from '../logic'

/** A fuse stands in a band with two brims: what the load asks for good, what the wire bears. */
const props = defineProps<{ run: WiresView['runs'][number] }>()
const words = useVocabulary()
const amps = (v: number) => words.show(v, 'current')
const most = computed(() => 1.25 * Math.max(props.run.low, props.run.bears, props.run.fuse ?? 0))
const x = (v: number) => 10 + (480 * v) / most.value
const open = computed(() => props.run.bears >= props.run.low)
const fits = computed(() => props.run.fuse !== null && props.run.fuse >= props.run.low && props.run.fuse <= props.run.bears)
const said = computed(() => `${amps(props.run.low)} for the load, ${amps(props.run.bears)} the wire bears${props.run.fuse === null ? '' : `, fuse ${amps(props.run.fuse)}`}`)
</script>

<template>
  <div class="drawing" tabindex="0">
    <svg viewBox="0 0 500 64" role="img" :aria-label="said">
      <rect x="10" y="22" width="480" height="14" class="glass" />
      <rect v-if="open" :x="x(run.low)" y="22" :width="x(run.bears) - x(run.low)" height="14" class="band" />
      <line v-for="v in [run.low, run.bears]" :key="v" :x1="x(v)" :x2="x(v)" y1="18" y2="40" class="brim" />
      <text :x="x(run.low) - 4" y="56" text-anchor="end">{{ amps(run.low) }} for the load</text>
      <text :x="x(run.bears) + 4" y="56" :text-anchor="x(run.bears) > 360 ? 'end' : 'start'">{{ amps(run.bears) }} the wire bears</text>
      <template v-if="run.fuse !== null">
        <circle :cx="x(run.fuse)" cy="29" r="6" :class="fits ? 'fuse' : 'fuse over'" />
        <text :x="x(run.fuse)" y="14" text-anchor="middle" class="strong" :class="{ over: !fits }">fuse {{ amps(run.fuse) }}</text>
      </template>
    </svg>
  </div>
</template>

<style scoped>
.glass {
  fill: var(--glass);
  stroke: var(--line);
}
.band {
  fill: color-mix(in oklab, var(--electrics) 40%, var(--glass));
}
.brim {
  stroke: var(--ink);
  stroke-width: 2;
}
.fuse {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.fuse.over {
  fill: var(--over);
  stroke: var(--over);
}
text {
  font: 500 13px var(--labels);
  fill: var(--ink);
}
.strong {
  font-weight: 600;
}
text.over {
  fill: var(--over);
}
</style>
