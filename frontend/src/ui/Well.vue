<script setup lang="ts">
import { computed } from 'vue'
import { percent } from './format'

/** A glass with a brim: the level is demand, the tick at the brim is capacity. */
const props = withDefaults(
  defineProps<{ fill: number | null | undefined; system: string; size?: 'upright' | 'row' | 'long'; label: string; state?: string; low?: number | null; high?: number | null; idle?: boolean }>(),
  { size: 'row', state: '', low: null, high: null },
)
const BRIM = 0.82 // of the glass's length, so that a level over the brim has somewhere to go
const level = computed(() => Math.min(props.fill ?? 0, 1) * BRIM)
const over = computed(() => Math.min(Math.max((props.fill ?? 0) - 1, 0) * BRIM, 1 - BRIM))
const most = 1 / BRIM
const band = computed(() => {
  if (props.low === null || props.high === null || props.high - props.low < 0.005) return null
  const from = Math.min(props.low, most) * BRIM
  return { from, share: Math.min(props.high, most) * BRIM - from }
})
const said = computed(() => `${props.label}, ${props.fill === null || props.fill === undefined ? 'not known' : percent(props.fill)}${props.state ? `, ${props.state}` : ''}`)
const full = computed(() => (props.fill ?? 0) > 1)
/** Over the brim only by a value nobody stated: dashed, never the hatch of what is short. */
const guessed = computed(() => props.state === 'assumed')
</script>

<template>
  <span class="well" :class="[size, { full, guessed, unknown: fill === null || fill === undefined, idle }]" role="img" :aria-label="said">
    <span class="level" :style="{ '--share': level, background: full && !guessed ? 'var(--over)' : `var(--${system})` }" />
    <span v-if="full" class="spill" :style="{ '--from': BRIM, '--share': over }" />
    <span v-if="band" class="band" :style="{ '--from': band.from, '--share': band.share }" />
    <span class="brim" :style="{ '--from': BRIM }" />
  </span>
</template>

<style scoped>
.well {
  position: relative;
  display: inline-block;
  background: var(--glass);
  border: 1px solid var(--line);
  border-radius: 3px;
  overflow: visible;
  flex: none;
}
.row {
  width: 92px;
  height: 13px;
}
.long {
  width: 100%;
  height: 18px;
}
.level,
.spill,
.brim {
  position: absolute;
  top: 0;
  bottom: 0;
  left: 0;
}
.level {
  width: calc(var(--share) * 100%);
  border-radius: 2px 0 0 2px;
  opacity: 0.85;
  transition: width 0.18s;
}
.spill {
  left: calc(var(--from) * 100%);
  width: calc(var(--share) * 100%);
  min-width: 4px;
  background: repeating-linear-gradient(-45deg, var(--over) 0 3px, var(--over-soft) 3px 6px);
  outline: 1px solid var(--over);
}
.guessed .spill {
  background: none;
  outline: 1.5px dashed var(--ink);
}
.brim {
  left: calc(var(--from) * 100%);
  width: 2px;
  top: -3px;
  bottom: -3px;
  background: var(--ink);
}
.band {
  position: absolute;
  left: calc(var(--from) * 100%);
  width: calc(var(--share) * 100%);
  top: 50%;
  height: 0;
  border-top: 1.5px solid var(--ink);
}
.band::before,
.band::after {
  content: '';
  position: absolute;
  top: -4px;
  height: 7px;
  border-left: 1.5px solid var(--ink);
}
.band::before {
  left: 0;
}
.band::after {
  right: 0;
}
.unknown {
  border-style: dashed;
}
.upright {
  width: 9px;
  height: 19px;
  border: 1.5px solid var(--mute);
  border-radius: 4px;
}
.upright.unknown {
  border-style: solid;
}
.upright.idle {
  border-style: dotted;
}
.upright .level {
  top: auto;
  width: auto;
  right: 0;
  height: calc(var(--share) * 100%);
  border-radius: 0 0 2px 2px;
}
.upright .spill {
  left: 0;
  right: 0;
  width: auto;
  bottom: calc(var(--from) * 100%);
  top: auto;
  height: calc(var(--share) * 100%);
  min-height: 3px;
}
.upright .brim {
  left: -2px;
  right: -2px;
  width: auto;
  height: 1.5px;
  top: auto;
  bottom: calc(var(--from) * 100%);
}
</style>
