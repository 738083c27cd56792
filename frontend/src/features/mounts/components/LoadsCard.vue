<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useNamed } from '../../../station/useNamed'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Pick from '../../../ui/Pick.vue'
import { useNarrow } from '../../../ui/useNarrow'
import { frame, LONGEST, type Mount } from '../logic'
import HoldsNothing from './HoldsNothing.vue'
import StandView from './StandView.vue'

/** The unit on its mounts, side and end on, in a load case: what each carries, how far it goes. */
const words = useVocabulary()
const { named } = useNamed()
/** Where nobody picked one: full torque in first. */
const case_ = ref<number | null>(null)
const options = computed((): Record<string, number> => (case_.value === null ? {} : { case: case_.value }))
const { data, waiting } = useInstrument('mounts/loads', options)
const cases = computed(() => (data.value?.cases ?? []).map((c, i) => ({ value: i, label: c.name })))
const picked = computed({ get: () => data.value?.case ?? 0, set: (v: number) => (case_.value = v) })
const now = computed(() => data.value?.cases[data.value.case])
const COLUMNS = computed((): Column<Mount>[] => [
  { key: 'name', title: 'Mount', head: true, show: (m) => named(m.id, m.name) },
  { key: 'rest', title: 'At rest', right: true, mute: true, show: (m) => words.show(m.rest, 'force') },
  { key: 'load', title: 'Now', right: true, show: (m) => (m.load < 0 ? `${words.show(-m.load, 'force')} up` : words.show(m.load, 'force')), over: (m) => m.load < 0 },
  { key: 'moved', title: 'Goes', right: true, show: (m) => `${words.show(m.moved, 'size')} of ${words.show(m.travel, 'size')}`, over: (m) => m.moved > m.travel },
  { key: 'most', title: 'Most, and when', show: (m) => `${words.show(m.most, 'force')}, ${m.worst}`, mute: true },
])
/** Both views to one scale, and words as large in both. */
const widths = computed(() => (data.value ? [frame('side', data.value, LONGEST).width, frame('end', data.value, LONGEST).width] : [1, 1]) as [number, number])
const ENDS = ['side', 'end'] as const
const narrow = useNarrow()
const unit = computed(() => (narrow.value ? Math.max(...widths.value) / 330 : (widths.value[0] + widths.value[1]) / 450))
const moves = computed(() => {
  const c = now.value
  if (!c || !data.value) return ''
  const rock = Math.abs(c.rock) > 2e-4 ? `${data.value.nods ? 'nods' : 'rocks'} ${words.show(Math.abs(c.rock), 'angle')}` : ''
  const lift = Math.abs(c.lift) > 2e-4 ? `${c.lift > 0 ? 'rises' : 'sinks'} ${words.show(Math.abs(c.lift), 'size')}` : ''
  const along = Math.abs(c.along) > 5e-4 ? `goes ${words.show(Math.abs(c.along), 'size')} ${c.along > 0 ? 'to its front' : 'to its flywheel'}` : ''
  return [rock, lift, along].filter(Boolean).join(' and ') || 'hardly moves'
})
</script>

<template>
  <section class="card pad" data-loads>
    <div class="cardhead">
      <h2 class="label">On its mounts, to scale</h2>
      <Pick v-if="cases.length" v-model="picked" :options="cases" label="Load case" />
    </div>
    <template v-if="data && now">
      <p><strong>{{ now.name }}</strong>: it {{ moves }}, dashed. {{ data.stated ? '' : 'Usual mounts stand in until yours are stated.' }}</p>
      <div class="views" :style="{ '--side': `${widths[0]}fr`, '--end': `${widths[1]}fr` }">
        <StandView v-for="(end, i) in ENDS" :key="end" :data="data" :end="end" :unit="unit" :style="narrow ? { width: `${(100 * widths[i]!) / Math.max(...widths)}%` } : {}" />
      </div>
      <DataTable :id="(m) => m.id" label="What each mount carries" :columns="COLUMNS" :rows="data.mounts" />
      <p class="mute">
        {{ words.show(data.mass, 'mass') }} hang on them and sink {{ words.show(data.sink, 'size') }}; in the lowest gear they react {{ words.show(data.torque, 'torque') }}{{ data.capped ? ', which is all the tyres grip' : '' }}{{ data.thrust ? `, and ${words.show(data.thrust, 'force')} of thrust` : '' }}.
        The cross is the line it turns about, the ring its balance point. A crash is not judged.
      </p>
    </template>
    <HoldsNothing v-else :waiting="waiting" />
  </section>
</template>

<style scoped>
.views {
  display: grid;
  grid-template-columns: minmax(0, var(--side)) minmax(0, var(--end));
  gap: 8px;
  margin: 8px 0;
}
@media (max-width: 720px) {
  .views {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
