<script setup lang="ts">
import { computed } from 'vue'
import type { Check } from '../../api/client'
import { chance } from '../../station/bands'
import StationViews from '../../station/StationViews.vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import ChainsCard from './components/ChainsCard.vue'
import HandsCard from './components/HandsCard.vue'
import LieCard from './components/LieCard.vue'
import ThingsCard from './components/ThingsCard.vue'
import WayCard from './components/WayCard.vue'
import WindowCards from './components/WindowCards.vue'

const VIEWS = [
  { id: 'lie', label: 'Lies', shows: LieCard },
  { id: 'window', label: 'Window', shows: WindowCards },
  { id: 'way', label: 'In and out', shows: WayCard },
  { id: 'hands', label: 'Hands', shows: HandsCard },
  { id: 'things', label: 'Things', shows: ThingsCard },
  { id: 'chains', label: 'Chains', shows: ChainsCard },
]
const build = useBuild()
const words = useVocabulary()
const left = (c: Check) => (c.capacity ?? Infinity) - (c.demand ?? 0)
/** The thing of the machine that the engine comes nearest, by millimetres to spare. */
const worst = computed(() => build.report?.systems.fit?.checks.reduce<Check | undefined>((a, b) => (a && left(a) <= left(b) ? a : b), undefined))
/** What is to spare, at what, and how far it rocks. */
const title = computed(() => {
  const block = build.report?.systems.fit
  if (!block || !worst.value) return ''
  const spare = left(worst.value)
  const pair = worst.value.sentence.split(':')[0]?.toLowerCase() ?? ''
  const middle = block.notices.some((n) => n.code === 'place') ? 'In the middle it ' : ''
  const rock = Object.values(block.figures)[0]?.rock_angle_deg
  const rocks = rock ? `; it rocks ${words.show((rock * Math.PI) / 180, 'angle')}` : ''
  if (spare < 0) return `${middle || 'It '}lacks ${words.show(-spare, 'size')} at ${pair}${worst.value.state === 'assumed' ? ', by what nobody stated' : ''}.`
  return `${middle ? `${middle}goes` : 'Goes'} in, ${words.show(spare, 'size')} to spare at ${pair}${rocks}.`
})
const detail = computed(() => {
  const said = worst.value?.sentence.split(': ').slice(1).join(': ') ?? ''
  const p = worst.value?.holds_probability
  return said && `${said.charAt(0).toUpperCase()}${said.slice(1)}${typeof p === 'number' && p < 1 ? ` That holds in ${chance(p)} of cases within what is known of the sizes.` : ''}`
})
</script>

<template>
  <StationViews system="fit" :views="VIEWS" label="Drawings of the fit" :title="title" :detail="detail" />
</template>
