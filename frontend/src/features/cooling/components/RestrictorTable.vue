<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../../api/client'
import { useVocabulary } from '../../../stores/vocabulary'
import Fold from '../../../ui/Fold.vue'

/** What one hole does in each of the three places people put it. */
const props = defineProps<{ cases: Schemas['RestrictorPlace'][]; hole: number }>()
const words = useVocabulary()
const NAMES: Record<string, string> = { main: 'in the main loop', bypass: 'in the thermostat\'s bypass', outlet: 'at a total-loss outlet' }
const change = (pair: number[] | null | undefined, kind: string) => (pair ? `${words.number(pair[0] ?? 0, kind)} → ${words.show(pair[1], kind)}` : '')
const rows = computed(() => props.cases.map((item) => ({
  place: NAMES[item.place],
  hole: words.show(item.hole ?? props.hole, 'size'),
  does: item.place === 'main'
    ? `Carries ${change(item.carries, 'heat')}: a slower flow never sheds more. Core's flow ${change(item.flow, 'flow')}; it only raises the block's pressure, by ${words.show((item.block?.[1] ?? 0) - (item.block?.[0] ?? 0), 'pressure_difference')}.`
    : item.place === 'bypass'
      ? `Hot: core's flow ${change(item.flow, 'flow')}, carries ${change(item.carries, 'heat')}. Warming up: round the engine ${change(item.warming, 'flow')}.`
      : `From a tap it lets ${words.show(item.flow[0], 'flow')} through; at this duty the water leaves at ${words.show(item.outlet, 'temperature')}.`,
})))
</script>

<template>
  <Fold title="What a restrictor does, in each of its three places">
    <dl>
      <template v-for="row in rows" :key="row.place">
        <dt>{{ row.hole }} {{ row.place }}</dt>
        <dd>{{ row.does }}</dd>
      </template>
    </dl>
  </Fold>
</template>

<style scoped>
dl {
  margin: 6px 0 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0 0 6px;
  color: var(--mute);
}
</style>
