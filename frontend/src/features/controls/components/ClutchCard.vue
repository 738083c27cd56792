<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import NamedValues from '../../../ui/NamedValues.vue'
import Unseen from '../../../ui/Unseen.vue'
import { clutchSaid, type ClutchView } from '../logic'

/** Pedal to bearing: way and weight, masters beside each other. */
const words = useVocabulary()
const { send, trouble } = useSending()
const { data, waiting } = useInstrument('controls/clutch', ref({}))
const show = (v: number, kind: string) => words.show(v, kind)
const said = computed(() => (data.value ? clutchSaid(data.value, show) : ''))
const bad = computed(() => Boolean(data.value && data.value.moves !== null && data.value.asked !== null && data.value.moves < data.value.asked))
type Row = ClutchView['masters'][number]
const COLUMNS: Column<Row>[] = [
  { key: 'bore', title: 'Master', head: true, show: (r) => `${show(r.bore, 'size')}${r.there ? ', there' : ''}` },
  { key: 'moves', title: 'bearing moved', right: true, show: (r) => show(r.moves, 'size'), over: (r) => r.frees === false },
  { key: 'pad', title: 'at the pad', right: true, show: (r) => (r.pad === null ? 'not known' : show(r.pad, 'force')), over: (r) => r.light === false },
  { key: 'serves', title: '', show: (r) => (r.frees === false ? 'does not free it' : r.light === false ? 'heavy' : r.frees && r.light ? 'serves' : '') },
]
const rows = computed(() => {
  const d = data.value
  if (!d) return []
  return [
    ...(d.rod === null ? [] : [{ label: d.bears === null ? 'Load at the bracket' : `Load at the bracket, it bears ${show(d.bears, 'force')}`, shown: show(d.rod, 'force'), over: d.bears !== null && d.rod > d.bears }]),
    ...(d.pressure === null ? [] : [{ label: 'In the pipe', shown: show(d.pressure, 'pressure_gauge') }]),
  ]
})
const put = (r: Row) => send(line('controls.master', `${(1000 * r.bore).toFixed(2)} mm`, { evidence: 'guess' }))
const best = computed(() => data.value?.masters.find((r) => !r.there && r.frees && r.light))
</script>

<template>
  <section class="card pad" data-clutch>
    <h2 class="label">Clutch pedal</h2>
    <template v-if="data">
      <p role="status"><strong :class="{ over: bad }">{{ said }}</strong></p>
      <NamedValues v-if="rows.length" :rows="rows" />
      <DataTable v-if="data.masters.length" :id="(r) => String(r.bore)" label="Masters on this pedal" :columns="COLUMNS" :rows="data.masters" :marked="(r) => r.there" />
      <p v-if="best" class="noprint"><button class="button" type="button" @click="put(best)">Try a master of {{ show(best.bore, 'size') }}</button></p>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <p class="mute">A smaller master asks less and moves less: the work is the same. What the bearing asks comes from Driveline’s cover and stack; what the pedal moves goes back to it. The pedal’s own bracket is stiffened before a heavier clutch goes in.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>
