<script setup lang="ts">
import { computed } from 'vue'
import StationViews from '../../station/StationViews.vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import { percent } from '../../ui/format'
import LedgerCard from './components/LedgerCard.vue'
import LiftingCard from './components/LiftingCard.vue'
import MomentsCard from './components/MomentsCard.vue'
import ScalesCard from './components/ScalesCard.vue'
import ThingsCard from './components/ThingsCard.vue'

const build = useBuild()
const words = useVocabulary()
const kind = computed(() => build.build?.facts['machine.kind']?.text ?? '')
const flies = computed(() => kind.value === 'aircraft')
const VIEWS = computed(() => [
  ...(flies.value ? [{ id: 'moments', label: 'Moments', shows: MomentsCard }] : [{ id: 'ledger', label: 'Ledger', shows: LedgerCard }]),
  { id: 'lifting', label: 'Lifting', shows: LiftingCard },
  { id: 'scales', label: 'Scales', shows: ScalesCard },
  { id: 'things', label: 'In and out', shows: ThingsCard },
])
const block = computed(() => build.report?.systems.weights)
const figures = computed(() => Object.values(block.value?.figures ?? {})[0])
/** What the swap does to the axles, or what hangs from the hook. */
const title = computed(() => {
  const f = figures.value
  if (!f) return ''
  const short = block.value?.checks.find((c) => c.state === 'short' && c.class === 'limit')
  if (short) return `${short.name}: ${percent(short.fill)}.`
  const mass = words.show(f.unit_mass_kg ?? 0, 'mass')
  if (f.front_axle_kg !== undefined && f.rear_axle_kg !== undefined) return `${words.show(f.front_axle_kg, 'mass')} in front, ${words.show(f.rear_axle_kg, 'mass')} behind after the swap.`
  return `Engine and gearbox weigh ${mass} as they run.`
})
const detail = computed(() => {
  const f = figures.value
  if (!f) return ''
  const whole = f.mass_kg === undefined ? '' : `${words.show(f.mass_kg, 'mass')} in all, its balance point ${words.show(f.cg_x_m ?? 0, 'length')} behind the front axle. `
  const open = block.value?.unknown.map((u) => u.name.toLowerCase()).join(' and ')
  return `${whole}${words.show(f.hoist_load_kg ?? 0, 'mass')} hang from the hook with oil and dirt.${open ? ` Not known yet: ${open}.` : ''}`
})
</script>

<template>
  <StationViews system="weights" :views="VIEWS" label="Drawings of the weights" :title="title" :detail="detail" />
</template>
