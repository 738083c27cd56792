<script setup lang="ts">
import { computed, ref } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import NamedValues from '../../../ui/NamedValues.vue'
import Slide from '../../../ui/Slide.vue'
import Unseen from '../../../ui/Unseen.vue'
import { useNarrow } from '../../../ui/useNarrow'
import type { Installed } from '../logic'
import { useThrown } from '../useThrown'
import HowItLies from './HowItLies.vue'
import OutlineCard from './OutlineCard.vue'
import ThreeViews from './ThreeViews.vue'

/** The pan in the machine as it lies: three views, levels to mark by, the old pan, the mouth, the stick. */
const words = useVocabulary()
const { index } = useThrown()
/** How the machine stands, degrees: its front up, its left side down. */
const nose = ref(0)
const lean = ref(0)
const radians = (degrees: number) => (degrees * Math.PI) / 180
const { data, waiting } = useInstrument('oil/installed', computed(() => ({ duty: index.value, nose: radians(nose.value), lean: radians(lean.value) })))
const way = (value: number, plus: string, minus: string) => (value === 0 ? 'level' : `${Math.abs(value)}° ${value > 0 ? plus : minus}`)
const stands = computed(() => (nose.value === 0 && lean.value === 0 ? 'the machine level' : 'the machine leaning so'))
const narrow = useNarrow()
type Level = Installed['levels'][number]
type PanRow = Installed['pans'][number]
const LEVELS = computed((): Column<Level>[] => [
  { key: 'volume', title: 'Oil', head: true, show: (l) => words.show(l.volume, 'volume') },
  { key: 'floor', title: 'Over the floor', right: true, show: (l) => (l.over_floor > 0 ? words.show(l.over_floor, 'size') : 'dry there') },
  { key: 'rail', title: 'Below the rail', right: true, mute: true, show: (l) => words.show(l.below_rail, 'size') },
  ...(data.value?.stick ? [{ key: 'stick', title: 'On the stick', right: true, show: (l: Level) => (l.stick === null ? '–' : words.show(l.stick, 'length')) }] : []),
])
const PANS = computed((): Column<PanRow>[] => [
  { key: 'name', title: 'Pan', head: true, show: (p) => p.name },
  { key: 'depth', title: 'Deepest', right: true, show: (p) => words.show(p.depth, 'size') },
  { key: 'mark', title: 'To the mark', right: true, show: (p) => words.show(p.to_mark, 'volume') },
  { key: 'holds', title: 'To the rail', right: true, mute: true, show: (p) => words.show(p.holds, 'volume') },
  { key: 'mouth', title: 'Mouth over floor', right: true, show: (p) => (p.mouth === null ? 'give its drop' : words.show(p.mouth, 'size')), over: (p) => p.mouth !== null && p.mouth < 0.003 },
  { key: 'spacer', title: 'Spacer', right: true, show: (p) => (p.spacer === null ? '–' : p.spacer > 0 ? words.show(p.spacer, 'size') : 'none') },
])
const stick = computed(() => {
  const s = data.value?.stick
  if (!s) return []
  return [
    { label: 'Full, from the seat', shown: words.show(s.full, 'length') },
    { label: `Low, ${words.show(s.between, 'volume')} less`, shown: words.show(s.low, 'length') },
    ...(s.poured === null ? [] : [{ label: 'Poured and read: by its measures the pan holds', shown: words.show(s.poured, 'volume') }]),
  ]
})
const SAID: Record<string, string> = { pulling: 'Pulling away', braking: 'Braking', left: 'Turning left', right: 'Turning right' }
const gs = (g: number) => (g >= 3 ? 'always' : `${g.toFixed(2)} g`)
const mouth = computed(() => data.value?.mouth?.ways.map((way, i) => ({ label: SAID[way] ?? way, shown: `${gs(data.value?.mouth?.now[i] ?? 0)} → ${gs(data.value?.mouth?.parallel[i] ?? 0)}` })) ?? [])
</script>

<template>
  <section class="card pad" data-installed>
    <div class="cardhead">
      <h2 class="label">The pan as installed, to scale</h2>
      <DutyPick v-if="data?.mouth" v-model="index" />
    </div>
    <ThreeViews v-if="data?.side" :data="data" :narrow="narrow" />
    <template v-if="data?.side">
      <Slide v-model="nose" label="Machine along" :min="-40" :max="40" :step="1" :text="way(nose, 'nose up', 'nose down')" />
      <Slide v-model="lean" label="Machine across" :min="-40" :max="40" :step="1" :text="way(lean, 'leaning left', 'leaning right')" />
    </template>
    <Unseen v-else :waiting="waiting">Give the pan's shape and size and where the pickup lies, to see it as it will lie.</Unseen>
    <template v-if="data && data.pans.length > 1">
      <h2 class="label more">Old pan beside new</h2>
      <DataTable :id="(p) => p.name" label="Pans beside each other" :columns="PANS" :rows="data.pans" />
    </template>
    <template v-if="data?.mouth">
      <h2 class="label more">The mouth leans {{ words.show(data.mouth.tilt, 'angle') }} against the floor</h2>
      <p class="mute">Covered as it is, and set parallel by an adapter of {{ words.show(data.mouth.tilt, 'angle') }}:</p>
      <NamedValues :rows="mouth" />
    </template>
    <template v-if="stick.length">
      <h2 class="label more">Marks of the stick, as installed</h2>
      <NamedValues :rows="stick" />
      <p class="mute">Pour the full quantity by measure, wait ten minutes, read from the seat: what differs from the mark is the pan's measures.</p>
    </template>
  </section>
  <section v-if="data && data.levels.length" class="card pad">
    <h2 class="label">To mark by: oil against height, {{ stands }}</h2>
    <DataTable :id="(l) => String(l.volume)" label="Volume against height" :columns="LEVELS" :rows="data.levels" />
  </section>
  <OutlineCard :corners="data?.preset ?? []" />
  <HowItLies />
</template>

<style scoped>
.more {
  margin-top: 14px;
}
</style>
