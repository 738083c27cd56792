<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'
import type { SpeedView } from '../logic'

/** The speed signal: pulses there and wanted, what is shown, the converters that bring one to the other. */
const words = useVocabulary()
const { send, trouble } = useSending()
const { data, waiting } = useInstrument('electrics/speed', ref({}))
type Ratio = SpeedView['ratios'][number]
const over = (shown: number) => `${words.show(Math.abs(shown - 1), 'share')} ${shown >= 1 ? 'over' : 'under'}`
const said = computed(() => {
  const d = data.value
  if (!d) return ''
  const comes = `${Math.round(d.there).toLocaleString('en')} pulses a km come`
  if (d.wants === null || d.ratio === null) return `${comes}. State how many the speedometer wants.`
  return `${comes}, ${Math.round(d.wants).toLocaleString('en')} are wanted: as it is, it shows ${over(d.ratio)} the true speed.`
})
const bad = computed(() => Boolean(data.value?.ratio && (data.value.ratio < 1 || (data.value.shown ?? []).some((v, i) => v > (data.value?.most[i] ?? v)))))
const COLUMNS: Column<Ratio>[] = [
  { key: 'ratio', title: 'Converter', head: true, show: (r) => `${r.times} for ${r.by}` },
  { key: 'shown', title: 'shows', right: true, show: (r) => over(r.shown) },
  { key: 'serves', title: '', show: (r) => (r.serves ? 'in the band' : r.shown < 1 ? 'under: never allowed' : 'over the band'), over: (r) => !r.serves },
  { key: 'act', title: '' },
]
const take = (r: Ratio) => send(line('electrics.speed.times', String(r.times), { evidence: 'sheet' }), line('electrics.speed.by', String(r.by), { evidence: 'sheet' }))
</script>

<template>
  <section class="card pad" data-speed>
    <h2 class="label">Speed signal</h2>
    <template v-if="data">
      <p role="status"><strong :class="{ over: bad }">{{ said }}</strong></p>
      <DataTable v-if="data.ratios.length" :id="(r) => `${r.times}-${r.by}`" label="Converters" :columns="COLUMNS" :rows="data.ratios">
        <template #cell="{ column, row }">
          <button v-if="column.key === 'act'" class="textlink noprint" type="button" :aria-label="`Take ${row.times} for ${row.by}`" @click="take(row)">take</button>
          <template v-else>{{ column.show?.(row) }}</template>
        </template>
      </DataTable>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <p class="mute">A speedometer may never show less than the true speed, nor more than a tenth and 4 km/h over it (UN R39): aimed 2 % over. Local law decides what is inspected.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the speed signal’s teeth and where it is taken; gearing and tyre are the machine’s. Off the road there is none.</Unseen>
  </section>
</template>
