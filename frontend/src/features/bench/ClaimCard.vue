<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { useVocabulary } from '../../stores/vocabulary'

/** The power claimed on the line of mean effective pressures such engines reach. */
const props = defineProps<{ claim: Schemas['PowerClaim'] }>()
const words = useVocabulary()
const top = computed(() => 1.08 * Math.max(props.claim.most_pa, props.claim.bmep_pa))
const at = (pa: number) => `${(100 * pa) / top.value}%`
</script>

<template>
  <section class="card pad">
    <h2 class="label">The claim</h2>
    <p :class="{ over: !claim.believable }">{{ claim.sentence }}</p>
    <div class="line" role="img" :aria-label="`Mean pressure ${words.show(claim.bmep_pa, 'pressure_difference')}; such engines usually reach ${words.show(claim.usual_pa, 'pressure_difference')} at most`">
      <span class="usual" :style="{ width: at(claim.usual_pa) }" />
      <span class="tick" :style="{ left: at(claim.usual_pa) }" />
      <span class="ring" :class="{ past: !claim.believable }" :style="{ left: at(claim.bmep_pa) }" />
    </div>
    <p class="mute small">{{ words.show(claim.bmep_pa, 'pressure_difference') }} mean pressure; such engines reach {{ words.show(claim.usual_pa, 'pressure_difference') }}, seldom more.</p>
  </section>
</template>

<style scoped>
.card {
  display: grid;
  gap: 8px;
}
.line {
  position: relative;
  height: 18px;
  border-bottom: 1px solid var(--line);
}
.usual {
  position: absolute;
  left: 0;
  bottom: 4px;
  height: 9px;
  background: var(--glass);
  border: 1px solid var(--line);
}
.tick {
  position: absolute;
  bottom: 0;
  width: 2px;
  height: 17px;
  background: var(--ink);
}
.ring {
  position: absolute;
  bottom: 3px;
  width: 12px;
  height: 12px;
  margin-left: -6px;
  border: 2.5px solid var(--ink);
  border-radius: 50%;
  background: var(--card);
}
.ring.past {
  border-color: var(--over);
}
.small {
  font-size: 13.5px;
}
</style>
