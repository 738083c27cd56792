<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { optionsOf } from '../../../ui/options'
import Pick from '../../../ui/Pick.vue'
import { freshId, said, short, type Thing } from '../logic'
import { useOrder } from '../useOrder'
import MoneyCard from './MoneyCard.vue'
import ThingForm from './ThingForm.vue'

/** Everything on the list: parts of the build and what else is bought; how each stands, what waits for it, what it costs. */
const order = useOrder()
const words = useVocabulary()
const { send, trouble } = useSending()
const opened = ref<string[]>([])
const only = ref('all')
const ONLY = { all: 'all', awaited: 'not there yet', unsaid: 'nobody said how it stands', unpriced: 'without a price' }
const rows = computed(() => (order.order?.things ?? []).filter((t) => only.value === 'all' || (only.value === 'awaited' ? t.awaited : only.value === 'unsaid' ? !t.state : !t.price)).sort((a, b) => Number(b.awaited) - Number(a.awaited) || b.decides - a.decides || Number(Boolean(b.state)) - Number(Boolean(a.state))))
const waits = (t: Thing) => t.tasks.map((id) => short(order.byId.get(id)?.title ?? id)).join(', ')
const systemOf = (t: Thing) => (t.system ? (words.words?.systems[t.system] ?? t.system) : t.kind)
const when = (t: Thing) => (!t.awaited ? '' : t.late_days ? `${t.late_days} days late` : `${said(t.arrives)}${t.usual ? ', usual' : ''}`)
const COLUMNS: Column<Thing>[] = [
  { key: 'label', title: 'Thing', head: true, by: (t) => t.label },
  { key: 'system', title: 'For', show: systemOf, by: systemOf, mute: true },
  { key: 'state', title: 'State', show: (t) => words.words?.states[t.state] ?? 'not said', by: (t) => t.state || null },
  { key: 'arrives', title: 'There', show: when, by: (t) => t.arrives || null, over: (t) => t.late_days > 0 },
  { key: 'waits', title: 'Waits for it', show: waits, by: waits, mute: true },
  { key: 'price', title: 'Price', show: (t) => t.price, by: (t) => Number.parseFloat(t.price.replace(/[^\d.]/g, '')) || null, right: true },
]
const title = ref('')
async function add(name: string, task = '', kind = ''): Promise<void> {
  if (!name.trim()) return
  const taken = (order.order?.things ?? []).filter((t) => t.path.startsWith('work.buys.')).map((t) => t.path.split('.')[2] ?? '')
  const at = `work.buys.${freshId(name, taken)}`
  const listed = await send(line(`${at}.title`, name.trim()), line(`${at}.state`, 'wanted'), ...(task ? [line(`${at}.task`, task)] : []), ...(kind ? [line(`${at}.kind`, kind)] : []))
  if (listed) title.value = ''
}
/** What tasks that are left need and nobody has put on the list. */
const forgotten = computed(() => {
  const listed = new Set((order.order?.things ?? []).map((t) => t.label.toLowerCase()))
  return order.tasks.filter((t) => t.state !== 'done').flatMap((t) => t.materials.filter((m) => !listed.has(m.toLowerCase())).map((m) => ({ what: m, task: t.id, title: short(t.title) })))
})
</script>

<template>
  <div class="two">
    <section class="card pad">
      <div class="cardhead"><h2 class="label">Parts and what else is bought</h2><Pick v-model="only" label="Which things" :options="optionsOf(ONLY)" /></div>
      <DataTable :id="(t) => t.id" v-model:opened="opened" label="Things on the list" :columns="COLUMNS" :rows="rows">
        <template #cell="{ column, row }">
          <button v-if="column.head" class="textlink name" type="button" :aria-expanded="opened.includes(row.id)" @click="opened = opened.includes(row.id) ? [] : [row.id]">{{ row.label }}</button>
          <template v-else>{{ column.show?.(row) }}</template>
        </template>
        <template #more="{ row }"><ThingForm :thing="row" /></template>
      </DataTable>
      <form class="add noprint" @submit.prevent="add(title)"><input v-model="title" class="input" maxlength="80" aria-label="Put a thing on the list" placeholder="adapter plate" /><button class="button" type="submit">Put it on the list</button></form>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    </section>
    <div class="side">
      <MoneyCard />
      <section v-if="forgotten.length" class="card pad">
        <h2 class="label">Wanted by tasks, on no list yet</h2>
        <ul><li v-for="f in forgotten" :key="`${f.task} ${f.what}`"><span>{{ f.what }} <span class="mute">{{ f.title.toLowerCase() }}</span></span><button class="textlink noprint" type="button" :aria-label="`list it: ${f.what}, ${f.title}`" @click="add(f.what, f.task, 'material')">list it</button></li></ul>
      </section>
    </div>
  </div>
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
.add {
  display: flex;
  gap: 8px;
  margin-top: 10px;
}
.add .button {
  white-space: nowrap;
}
ul {
  margin: 4px 0 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 3px 0;
  list-style: none;
}
li .textlink {
  white-space: nowrap;
}
@media (max-width: 1020px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
