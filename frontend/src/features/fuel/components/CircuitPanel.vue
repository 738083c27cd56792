<script setup lang="ts">
import { computed, ref } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useDuty } from '../../../station/useDuty'
import { useInstrument } from '../../../station/useInstrument'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import CircuitDrawing from './CircuitDrawing.vue'
import Pick from '../../../ui/Pick.vue'
import Segments from '../../../ui/Segments.vue'
import Unseen from '../../../ui/Unseen.vue'

/** The circuit as one network: picked from the usual ones, read at full load or idling. */
const build = useBuild()
const vocabulary = useVocabulary()
const { index } = useDuty('fuel')
const idle = ref(0)
const options = computed(() => ({ duty: index.value, idle: idle.value }))
const { data, waiting } = useInstrument('fuel/circuit', options)
const now = computed(() => data.value?.presets.find((p) => p.now)?.id)
const trouble = ref('')

const STATES = [{ value: 0, label: 'at its peak' }, { value: 1, label: 'idling' }]
const kinds = computed(() => (data.value?.presets ?? []).map((p) => ({ value: p.id, label: p.label })))
async function pick(id: string | number | undefined): Promise<void> {
  const preset = data.value?.presets.find((p) => p.id === id)
  if (!preset) return
  const problem = await build.enqueue(Object.entries(preset.choices).map(([name, choice]) => line(`fuel.${name}`, choice)))
  trouble.value = problem?.message ?? ''
}
const said = computed(() => {
  const found = data.value?.flows
  if (!found) return ''
  const flow = (q: number) => vocabulary.show(q, 'flow_fuel')
  const pressure = (p: number) => vocabulary.show(p, 'pressure_gauge')
  if (found.able >= found.taken) return `The engine takes ${flow(found.taken)}; ${flow(found.able)} can be had at the ${pressure(found.wanted)} asked.`
  return `The engine takes ${flow(found.taken)}; only ${flow(found.able)} can be had at the ${pressure(found.wanted)} asked, so that it falls to ${pressure(found.rail)}.`
})
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">From tank to engine and back</h2>
      <span class="picks">
        <Pick v-if="data" label="Kind of circuit" placeholder="one of its own" :options="kinds" :model-value="now" @update:model-value="pick" @again="pick" />
        <Segments v-model="idle" label="State of the engine" :options="STATES" />
        <DutyPick v-model="index" />
      </span>
    </div>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    <template v-if="data?.flows">
      <CircuitDrawing :circuit="data" />
      <p :class="{ over: data.flows.able < data.flows.taken }">{{ said }}</p>
      <p class="mute">Pressures over the air outside, solved together. Click a part to change it; the fullest is marked.</p>
    </template>
    <Unseen v-else :waiting="waiting">Give the pump's flow and the pressure it is rated at, or pick a circuit without one, to see flows and pressures all round.</Unseen>
  </section>
</template>

<style scoped>
.picks {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
