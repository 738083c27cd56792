<script setup lang="ts">
import type { Row } from '../../api/client'

/** One bar of the reach chart: what is carried, what is missing up to what is asked, the whisker, the number. All places
 * are shares of the axis. */
defineProps<{ row: Row; reach: number; asked: number; short: boolean; band: { left: string; width: string } | null; number: number; said: string }>()
</script>

<template>
  <span class="bar">
    <span class="fill" :style="{ width: `${100 * reach}%`, background: `var(--${row.system})`, opacity: short ? 1 : 0.6 }" />
    <span v-if="short" class="gap" :style="{ left: `${100 * reach}%`, width: `${100 * (asked - reach)}%` }" />
    <span v-if="row.kind === 'load'" class="takes" :style="{ left: `${100 * asked}%` }" />
    <span v-if="band" class="whisker" :style="band" />
    <span v-if="row.reach_code === 'unknown'" class="unknown" />
    <span class="figure number" :class="{ over: short, inside: number > 0.86, load: row.kind === 'load' }" :style="{ left: `${100 * number}%` }">{{ said }}</span>
  </span>
</template>

<style scoped>
.bar {
  position: relative;
  height: 20px;
  display: block;
  border-left: 1px solid var(--line);
}
.fill {
  position: absolute;
  inset: 0 auto 0 0;
  border-radius: 0 2px 2px 0;
}
.gap {
  position: absolute;
  top: 0;
  bottom: 0;
  border: 1px dashed var(--over);
  background: repeating-linear-gradient(-45deg, transparent 0 4px, var(--over-soft) 4px 8px);
}
.takes {
  position: absolute;
  top: -2px;
  bottom: -2px;
  border-left: 2px solid var(--brass-line);
}
.whisker {
  position: absolute;
  top: 9px;
  border-top: 2px solid var(--ink);
  z-index: 1;
}
.whisker::before,
.whisker::after {
  content: '';
  position: absolute;
  top: -6px;
  height: 10px;
  border-left: 2px solid var(--ink);
}
.whisker::before {
  left: 0;
}
.whisker::after {
  right: 0;
}
.unknown {
  position: absolute;
  inset: 0;
  border: 1px dashed var(--line);
}
.number {
  position: absolute;
  top: 0;
  padding-left: 9px;
  white-space: nowrap;
}
.number.load {
  z-index: 2;
  margin-left: 6px;
  padding: 0 3px;
  background: var(--card);
}
.number.inside {
  z-index: 2;
  transform: translateX(calc(-100% + 2px));
  padding: 0 9px 0 5px;
  background: var(--card);
  border-radius: 2px;
}
</style>
