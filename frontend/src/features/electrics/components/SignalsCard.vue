<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import MenuButton from '../../../ui/MenuButton.vue'
import Unseen from '../../../ui/Unseen.vue'
import { pinSaid, signalsSaid, STANDS, type SignalRow, type SignalsView } from '../logic'
import PinList from './PinList.vue'

/** What the engine computer wants, by what is lost without it; what it does with what is there; pins pasted; ways to a loom. */
const words = useVocabulary()
const { send, add, trouble } = useSending()
const { data, waiting } = useInstrument('electrics/signals', ref({}))
const said = computed(() => (data.value ? signalsSaid(data.value) : ''))
const bad = computed(() => Boolean(data.value && (data.value.forbidden.length || data.value.groups[0]?.lost)))
const hours = (h: number) => `${Math.round(h)} h`
const COLUMNS: Column<SignalRow>[] = [
  { key: 'label', title: 'Signal', head: true, show: (r) => r.label },
  { key: 'stands', title: 'is', show: (r) => `${STANDS[r.stands] ?? r.stands}${r.stands === 'there' && !r.proved ? ', unproved' : ''}`, over: (r) => r.stands === 'lost' },
  { key: 'pins', title: 'pins', mute: true, show: (r) => r.pins.map(pinSaid).filter(Boolean).slice(0, 3).join('; ') + (r.pins.length > 3 ? ` and ${r.pins.length - 3} more` : '') },
  { key: 'missing', title: 'without it', mute: true, show: (r) => r.missing },
  { key: 'act', title: '' },
]
type Loom = SignalsView['looms'][number]
const LOOMS: Column<Loom>[] = [
  { key: 'label', title: 'A loom', head: true, show: (l) => `${l.label}${l.picked ? ', picked' : ''}` },
  { key: 'hours', title: 'own work', right: true, by: (l) => l.hours, show: (l) => `${hours(l.hours)}, ${l.evenings} evenings` },
  { key: 'weeks', title: 'waits', right: true, by: (l) => l.weeks, show: (l) => (l.weeks ? `${l.weeks} ${l.weeks === 1 ? 'week' : 'weeks'}` : '–') },
  { key: 'costs', title: 'costs', show: (l) => l.costs },
  { key: 'mind', title: '', mute: true, show: (l) => l.mind },
]
const sources = computed(() => words.field('electrics.signals.x.source')?.choices ?? {})
const ACTS = computed(() => [
  { id: 'works', label: 'The real thing, works' },
  ...Object.entries(sources.value).map(([id, label]) => ({ id, label: id === 'real' ? 'The real thing, untested' : label.charAt(0).toUpperCase() + label.slice(1) })),
])
const may = (row: SignalRow) => ACTS.value.filter((a) => !(row.never && (a.id === 'mimicked' || a.id === 'dropped')))
/** All pins of a signal said at once; one is listed where there is none. */
async function say(row: SignalRow, act: string): Promise<void> {
  const made = row.pins.length ? null : await add('electrics.signals')
  const ids = made === null ? row.pins.map((p) => p.id) : [made]
  if (!ids.length) return
  await send(...ids.flatMap((id) => [
    ...(row.pins.length ? [] : [line(`electrics.signals.${id}.what`, row.id)]),
    line(`electrics.signals.${id}.source`, act === 'works' ? 'real' : act),
    line(`electrics.signals.${id}.state`, act === 'works' ? 'works' : 'untested'),
  ]))
}
const mark = (d: SignalsView['does'][number]) => (d.surely ? 'yes' : d.perhaps ? 'perhaps' : 'no')
const stops = (d: SignalsView['does'][number]) => mark(d) === 'no' && (d.id === 'cranks' || d.id === 'fires')
const acts = (d: SignalsView['does'][number]) => d.acts.map(([label, how]) => (how ? `${label} (${how})` : label)).join(', ')
const LONG = 14
const opened = ref<string[]>([])
const rows = (group: SignalsView['groups'][number]) => (opened.value.includes(group.id) || group.rows.length <= LONG ? group.rows : group.rows.slice(0, LONG))
</script>

<template>
  <section class="card pad" data-signals>
    <h2 class="label">Signals</h2>
    <template v-if="data">
      <p role="status"><strong :class="{ over: bad }">{{ said }}</strong></p>
      <dl v-if="data.pins" class="does">
        <div v-for="d in data.does" :key="d.id"><dt>{{ d.label }}</dt><dd :class="{ yes: d.surely, over: stops(d) }">{{ mark(d) }}<span v-if="d.acts.length" class="mute">: lacks {{ acts(d) }}; some {{ hours(d.hours ?? 0) }}</span></dd></div>
      </dl>
      <p v-for="[label, why] in data.conflicts" :key="label" class="over">{{ label }}: {{ why }}.</p>
      <template v-for="group in data.groups" :key="group.id">
        <h3 class="label">{{ group.title }}: {{ group.there }} there<template v-if="group.lost">, {{ group.lost }} missing</template><template v-if="group.open">, {{ group.open }} not said</template></h3>
        <DataTable :id="(r) => r.id" :label="group.title" :columns="COLUMNS" :rows="rows(group)">
          <template #cell="{ column, row }">
            <MenuButton v-if="column.key === 'act'" class="noprint" :label="`Say of ${row.label}`" quiet :acts="may(row)" @act="(act: string) => void say(row, act)" />
            <template v-else>{{ column.show?.(row) }}</template>
          </template>
        </DataTable>
        <button v-if="rows(group).length < group.rows.length" class="textlink" type="button" @click="opened = [...opened, group.id]">{{ group.rows.length - LONG }} more</button>
      </template>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <p class="mute">By usual controllers of such an engine (common practice): its own maker’s word goes before. Brakes, airbag, oil pressure, coolant temperature, neutral start and petrol vapour are never made up.</p>
      <PinList :there="data.pins" />
      <h3 class="label">Ways to a loom</h3>
      <DataTable :id="(l) => l.id" label="Ways to a loom" :columns="LOOMS" :rows="data.looms" />
      <p class="mute">By the pins listed, an evening three hours; usual money in €, $ or £ (common practice).</p>
    </template>
    <Unseen v-else :waiting="waiting">An engine without a computer wants no signals. State its engine computer where it has one.</Unseen>
  </section>
</template>

<style scoped>
.does {
  display: grid;
  grid-template-columns: minmax(140px, auto) 1fr;
  gap: 2px 14px;
  margin: 0 0 10px;
}
.does > div {
  display: contents;
}
dd {
  margin: 0;
  font: 600 15px/1.4 var(--labels);
}
.yes {
  color: var(--holds);
}
h3 {
  margin-top: 14px;
}
</style>
