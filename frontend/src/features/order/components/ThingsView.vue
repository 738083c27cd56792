<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { optionsOf } from '../../../ui/options'
import AddLine from '../../../ui/AddLine.vue'
import Pick from '../../../ui/Pick.vue'
import { freshId, said, short, type Thing } from '../logic'
import { useOrder } from '../useOrder'
import FastenersCard from './FastenersCard.vue'
import ForgottenCard from './ForgottenCard.vue'
import MoneyCard from './MoneyCard.vue'
import ThingForm from './ThingForm.vue'

/** Everything on the list: parts of the build and what else is bought; how each stands, what waits for it, what it costs. */
const order = useOrder()
const build = useBuild()
const words = useVocabulary()
const { send, trouble } = useSending()
const opened = ref<string[]>([])
const only = ref('all')
const ONLY = { all: 'all', awaited: 'not there yet', unsaid: 'nobody said how it stands', unpriced: 'without a price' }
const rows = computed(() => (order.order?.things ?? []).filter((t) => only.value === 'all' || (only.value === 'awaited' ? t.awaited : only.value === 'unsaid' ? !t.state : !t.price)).sort((a, b) => Number(b.awaited) - Number(a.awaited) || b.decides - a.decides || Number(Boolean(b.state)) - Number(Boolean(a.state))))
const waits = (t: Thing) => t.tasks.map((id) => short(order.byId.get(id)?.title ?? id)).join(', ')
const systemOf = (t: Thing) => (t.system ? (words.words?.systems[t.system] ?? t.system) : t.kind)
const when = (t: Thing) => (!t.awaited ? '' : t.late_days ? `${t.late_days} days late` : `${said(t.arrives)}${t.usual ? ', usual' : ''}`)
/** What the build says of what a part is for. */
const verdict = (t: Thing) => (t.fitted && t.row ? (build.report?.rows.find((r) => r.system === t.system && r.part === t.row)?.state ?? '') : '')
const COLUMNS: Column<Thing>[] = [
  { key: 'label', title: 'Thing', head: true, by: (t) => t.label },
  { key: 'system', title: 'For', show: systemOf, by: systemOf, mute: true },
  { key: 'state', title: 'State', show: (t) => words.words?.states[t.state] ?? 'not said', by: (t) => t.state || null },
  { key: 'arrives', title: 'There', show: when, by: (t) => t.arrives || null, over: (t) => t.late_days > 0 },
  { key: 'waits', title: 'Waits for it', show: waits, by: waits, mute: true },
  { key: 'verdict', title: 'Verdict', show: verdict, by: verdict, over: (t) => verdict(t) === 'short' },
  { key: 'price', title: 'Price', show: (t) => t.price.replace('-', '\u2011'), by: (t) => Number.parseFloat(t.price.replace(/[^\d.]/g, '')) || null, right: true },
]
function add(name: string): Promise<boolean> {
  const taken = (order.order?.things ?? []).filter((t) => t.path.startsWith('work.buys.')).map((t) => t.path.split('.')[2] ?? '')
  const at = `work.buys.${freshId(name, taken)}`
  return send(line(`${at}.title`, name), line(`${at}.state`, 'wanted'))
}
</script>

<template>
  <div class="two">
    <section class="card pad">
      <div class="cardhead"><h2 class="label">Parts and what else is bought</h2><Pick v-model="only" label="Which things" :options="optionsOf(ONLY)" /></div>
      <DataTable :id="(t) => t.id" v-model:opened="opened" label="Things on the list" :columns="COLUMNS" :rows="rows">
        <template #cell="{ column, row }">
          <template v-if="column.head"><button class="textlink name" type="button" :aria-expanded="opened.includes(row.id)" @click="opened = opened.includes(row.id) ? [] : [row.id]">{{ row.label }}</button><span v-if="row.lacks.length" class="over lacks">lacks {{ row.lacks.length }}</span></template>
          <template v-else>{{ column.show?.(row) }}</template>
        </template>
        <template #more="{ row }"><ThingForm :thing="row" /></template>
      </DataTable>
      <AddLine label="Put a thing on the list" like="adapter plate" button="Put it on the list" :add="add" />
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    </section>
    <div class="side">
      <MoneyCard />
      <ForgottenCard />
    </div>
  </div>
  <FastenersCard />
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
.side {
  display: grid;
  gap: 12px;
}
.name {
  text-align: left;
}
.lacks {
  margin-left: 8px;
  font-size: 13.5px;
}
@media (max-width: 1020px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
