<script setup lang="ts">
import { computed } from 'vue'
import StationViews from '../../station/StationViews.vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import { percent } from '../../ui/format'
import BracketsCard from './components/BracketsCard.vue'
import FeetCard from './components/FeetCard.vue'
import LoadsCard from './components/LoadsCard.vue'
import PartsCard from './components/PartsCard.vue'
import SchoolsCard from './components/SchoolsCard.vue'
import ShakeCard from './components/ShakeCard.vue'

const VIEWS = [
  { id: 'loads', label: 'Held', shows: LoadsCard },
  { id: 'schools', label: 'Soft or firm', shows: SchoolsCard },
  { id: 'shake', label: 'Shake', shows: ShakeCard },
  { id: 'brackets', label: 'Brackets', shows: BracketsCard },
  { id: 'feet', label: 'Feet', shows: FeetCard },
  { id: 'parts', label: 'Mounts', shows: PartsCard },
]
const build = useBuild()
const words = useVocabulary()
const block = computed(() => build.report?.systems.mounts)
const figures = computed(() => Object.values(block.value?.figures ?? {})[0])
const stated = computed(() => Boolean(block.value) && !block.value?.unknown.some((u) => u.check === 'mounts'))
/** How far it rocks and sinks, on which mounts; what is short before that. */
const title = computed(() => {
  const f = figures.value
  const loose = block.value?.checks.find((c) => c.id === 'in_line') ?? block.value?.notices.find((n) => n.code === 'few_mounts')
  if (loose) return loose.sentence
  if (!f) return ''
  const short = block.value?.checks.filter((c) => c.state === 'short' && c.class === 'limit').reduce((a, b) => (a && a.fill >= b.fill ? a : b), undefined as undefined | NonNullable<typeof block.value>['checks'][number])
  if (short) return `${short.name}: ${percent(short.fill)} of what it stands.`
  const rocks = `rocks ${words.show(Math.abs(f.rock_rad ?? 0), 'angle')} at full torque and sinks ${words.show(f.static_sink_m ?? 0, 'size')} at rest`
  return stated.value ? `It ${rocks}.` : `Mounts are not stated: on usual ones it ${rocks}.`
})
const detail = computed(() => {
  const f = figures.value
  if (!f) return ''
  const shake = f.transmissibility ?? 0
  return `${stated.value ? '' : 'Three by their places begin it. '}Its roll on them stands at ${words.show(f.roll_mode_hz ?? 0, 'frequency')}, idle fires at ${words.show(f.firing_hz ?? 0, 'frequency')}: ${percent(shake)} of the shake passes${shake > 0.5 ? ', which is felt' : ''}. Fit takes how it rocks from here.`
})
</script>

<template>
  <StationViews system="mounts" :views="VIEWS" label="Drawings of the mounts" :title="title" :detail="detail" />
</template>
