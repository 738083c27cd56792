<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../../api/client'
import { Fold } from '../../../ui/lazy'
import ListCard from './ListCard.vue'

/** What it may be, in a hundred such cases. */
const props = defineProps<{ causes: Schemas['BeliefOut'][]; load: string[]; duty: string }>()
const LEAST = 0.015
const shown = computed(() => props.causes.filter((c) => c.chance >= LEAST))
const rest = computed(() => props.causes.filter((c) => c.chance < LEAST))
const hundred = (chance: number) => Math.round(100 * chance)
const other = computed(() => Math.max(0, 100 - shown.value.reduce((n, c) => n + hundred(c.chance), 0)))
</script>

<template>
  <ListCard title="What it may be" :aside="`in 100 such cases; other ${other}`">
    <ul>
      <li v-for="(c, i) in shown" :key="c.id">
        <span class="what"><b>{{ c.label }}</b><span v-if="i === 0 || c.chance > 0.3" class="mute">{{ c.mend }}</span></span>
        <span class="bar" aria-hidden="true"><i :style="{ width: `${hundred(c.chance)}%` }" /></span>
        <b class="figure">{{ hundred(c.chance) }}</b>
      </li>
    </ul>
    <p v-if="load.length" class="load"><b>Needs load.</b> Not seen like this: {{ load.map((l) => l.charAt(0).toLowerCase() + l.slice(1)).join('; ') }}.{{ duty ? ` ${duty} shows.` : '' }}</p>
    <Fold v-if="rest.length" class="pad" :title="`All but ruled out: ${rest.length}`"><p>{{ rest.map((c) => c.label).join('; ') }}</p></Fold>
  </ListCard>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 110px 34px;
  gap: 10px;
  align-items: center;
  padding: 9px 14px;
}
.what {
  display: grid;
}
.what .mute {
  font-size: 13.5px;
}
.bar {
  height: 16px;
}
.bar i {
  display: block;
  height: 100%;
  background: var(--cooling);
}
.figure {
  text-align: right;
}
.load {
  margin: 0;
  padding: 10px 14px;
  border-top: 1px solid var(--line);
  background: color-mix(in srgb, var(--brass-line) 12%, var(--card));
}
.pad {
  padding: 0 14px;
}
@media (max-width: 420px) {
  li {
    grid-template-columns: minmax(0, 1fr) 70px 30px;
  }
}
</style>
