<script setup lang="ts">
import { computed } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'
import type { HeatView } from '../logic'
import { useHardest } from '../useHardest'

/** Where gas would get into the cabin, worst first; where to hold a meter, and at what figure to stop. */
const words = useVocabulary()
const { index } = useHardest()
const { data, waiting } = useInstrument('exhaust/heat', computed(() => ({ duty: index.value })))
type Leak = HeatView['leaks'][number]
const ppm = (share: number) => `${Math.round(1e6 * share)} ppm`
const most = computed(() => data.value?.leaks[0]?.cabin ?? 0)
const COLUMNS = computed((): Column<Leak>[] => [
  { key: 'name', title: 'Where it gets out', head: true, show: (l) => l.name },
  { key: 'place', title: 'which is', show: (l) => l.place },
  { key: 'share', title: 'against the worst', right: true, show: (l) => (most.value > 0 ? words.show(l.cabin / most.value, 'fill') : '–') },
  { key: 'pressure', title: 'pressure there', right: true, mute: true, show: (l) => words.show(l.pressure, 'pressure_difference') },
])
</script>

<template>
  <section class="card pad" data-gas>
    <div class="cardhead">
      <h2 class="label">Where gas would get in, worst first</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="data">
      <p class="stop"><strong>Over {{ ppm(data.test) }} of carbon monoxide in the cabin: find it. Over {{ ppm(data.stop) }}: engine off, everyone out.</strong></p>
      <DataTable v-if="data.leaks.length" :id="(l) => `${l.piece} ${l.name}`" label="Leaks" :columns="COLUMNS" :rows="data.leaks" />
      <p v-else class="mute">No joint that leaks is stated: say how each piece is joined to the one before, and where the tip ends.</p>
      <p v-if="!data.cabin_stated" class="mute">Where the cabin begins along the pipe is not stated: all joints count as under it.</p>
      <h2 class="label more">Where to test, in order</h2>
      <ol><li v-for="test in data.tests" :key="test">{{ test }}</li></ol>
      <p class="mute">A ranking by pressure, hole and place; its leaks are what such joints come to over years, not measured ones. An alarm beside the driver is the only proof.</p>
    </template>
    <Unseen v-else :waiting="waiting">Give the pipe, whole or piece by piece.</Unseen>
  </section>
</template>

<style scoped>
.more {
  margin-top: 12px;
}
ol {
  margin: 4px 0 8px;
  padding-left: 20px;
}
</style>
