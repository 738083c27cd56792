<script setup lang="ts">
import { computed } from 'vue'
import { api, type Schemas } from '../../api/client'
import { percent } from '../../ui/format'
import OptionTable from '../../station/OptionTable.vue'
import { saveText } from '../../ui/save'
import { useNeedBands } from '../../station/useNeedBands'
import RestsOn from '../../station/RestsOn.vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import DataTable from '../../ui/DataTable.vue'
import type { Column } from '../../ui/grid'

/** What the wanted power asks of every part: to take to a catalogue or a scrapyard. */
const build = useBuild()
const words = useVocabulary()
const systems = computed(() => Object.entries(build.report?.systems ?? {}).filter(([, block]) => block.need.length))
const print = () => window.print()
const { band } = useNeedBands()
async function csv(): Promise<void> {
  const content = await build.whole('Not saved', () => api.needCsv(build.document))
  if (content !== undefined) saveText(content, 'text/csv', build.build?.name ?? '', '-need.csv')
}
/** The fullest row of the part, whatever drives it. */
const fitted = (system: string, part: string) => {
  const fills = (build.report?.rows ?? []).filter((r) => r.system === system && r.part === part && r.fill !== null).map((r) => r.fill ?? 0)
  if (!fills.length) return '—'
  const worst = Math.max(...fills)
  return `${worst > 1 ? 'short' : 'serves'}, ${percent(worst)}`
}
const columns = (system: string): Column<Schemas['NeedOut']>[] => [
  { key: 'sentence', title: 'Look for', head: true },
  { key: 'value', title: 'About', right: true, show: (n) => (n.value === null ? '—' : words.show(n.value, n.unit)) },
  { key: 'band', title: '90 of 100 cases', right: true, mute: true, show: (n) => band(system, n.quantity) },
  { key: 'fitted', title: 'What is fitted', right: true, mute: true, show: (n) => fitted(system, n.part), over: (n) => fitted(system, n.part).startsWith('short') },
]
</script>

<template>
  <article v-if="build.report" class="sheet">
    <header>
      <div>
        <h1>Need sheet: {{ build.build?.name }}</h1>
        <p class="mute">For {{ words.show(build.report.wanted_w, 'power') }} and the duties {{ build.report.duties.map((d) => d.name.toLowerCase()).join(', ') }}. Revision {{ build.build?.revision }}.</p>
      </div>
      <span class="acts noprint"><button class="button" type="button" @click="csv">Save as CSV</button> <button class="button" type="button" @click="print">Print</button></span>
    </header>
    <section v-for="[id, block] in systems" :key="id" class="card">
      <h2 class="label head">{{ block.title }}</h2>
      <DataTable :id="(n) => n.quantity" :label="`${block.title}: what to look for`" :columns="columns(id)" :rows="block.need">
        <template #cell="{ column, row }">
          <template v-if="column.key === 'sentence'">{{ row.sentence }}<template v-if="row.shop?.sold"> Next sold: {{ row.shop.sold }}.</template><OptionTable :options="row.options" /><RestsOn v-if="row.rests_on" class="on" :rests="row.rests_on" /></template>
          <span v-else :data-band="column.key === 'band' ? '' : undefined">{{ column.show?.(row) }}</span>
        </template>
      </DataTable>
    </section>
    <p class="mute">Figures follow from the facts given: {{ build.report.guesses }} of {{ build.report.stated }} are guesses. Not judged: {{ build.report.not_judged.map((n) => n.system).join(', ') }}. Local codes and licensed practice decide where they apply.</p>
  </article>
</template>

<style scoped>
.sheet {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  max-width: 860px;
}
header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: start;
  gap: 12px;
}
h1 {
  font: 600 23px/1.25 var(--words);
}
.head {
  padding: 11px 14px 4px;
}
.on {
  display: block;
  margin-top: 4px;
}
.acts {
  white-space: nowrap;
}
.card :deep(.scroll) {
  padding: 0 14px 8px;
}
</style>
