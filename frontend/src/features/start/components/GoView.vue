<script setup lang="ts">
import { computed } from 'vue'
import { useNarrow } from '../../../ui/useNarrow'
import { useStart } from '../useStart'
import EngineCard from './EngineCard.vue'
import HoldCard from './HoldCard.vue'
import LockList from './LockList.vue'
import PlaceLine from './PlaceLine.vue'
import ReadList from './ReadList.vue'
import RunPanel from './RunPanel.vue'
import StepList from './StepList.vue'
import TwoColumns from '../../../ui/TwoColumns.vue'

/** The start: what is still to be proved, then step by step with a clock, each reading beside the one foretold. */
const emit = defineEmits<{ wrong: [] }>()
const start = useStart()
const phone = useNarrow()
const all = computed(() => start.holds.length)
const NUMBERS = ['none', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve']
const number = (n: number) => NUMBERS[n] ?? String(n)
const head = computed(() => {
  const shut = start.shut.length
  if (shut) return { before: 'Not yet: ', over: `${number(shut)} of ${number(all.value)} locks ${shut === 1 ? 'is' : 'are'} shut.` }
  if (!start.next) return { before: 'It has run, and is looked over.', over: '' }
  return { before: `${start.next.step.label}.`, over: '' }
})
const under = computed(() => {
  const names = start.shut.map((h) => h.hold.label).map((n, i) => (i ? n.charAt(0).toLowerCase() + n.slice(1) : n))
  if (names.length) return `${names.slice(0, 3).join('; ')}${names.length > 3 ? `; and ${number(names.length - 3)} more` : ''}.`
  return start.next ? `All ${number(all.value)} locks are open.` : 'Levels again tomorrow, cold; then light load.'
})
/** The build as it is stated runs into its stop mark by itself. */
const over = computed(() => start.plan?.expected.find((e) => e.stops_after !== null))
</script>

<template>
  <RunPanel v-if="start.run && start.step" @wrong="emit('wrong')" />
  <template v-else>
    <header>
      <h1>{{ head.before }}<span v-if="head.over" class="over">{{ head.over }}</span></h1>
      <p class="under">{{ under }}</p>
      <p v-if="over && over.stops_after !== null" class="over" role="note">Standing still at fast idle it passes its stop mark after {{ Math.round(over.stops_after / 60) }} min: with wind at the core, or shorter.</p>
    </header>
    <PlaceLine v-if="!phone || !start.runs.length" />
    <TwoColumns>
      <template #left>
        <HoldCard v-if="start.shut[0]" :key="start.shut[0].hold.id" :standing="start.shut[0]" now />
        <LockList v-if="phone && start.shut.length" />
        <StepList />
        <LockList v-if="phone && !start.shut.length" />
      </template>
      <template #right>
        <LockList v-if="!phone" />
        <ReadList />
        <EngineCard />
      </template>
    </TwoColumns>
  </template>
</template>

<style scoped>
header {
  margin-bottom: 8px;
}
h1 {
  font: 600 24px/1.2 var(--words);
}
.under {
  font-size: 17px;
  color: var(--mute);
}
</style>
