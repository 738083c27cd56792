<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { Problem } from '../../../api/client'
import { files } from '../../../api/files'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import NamedValues from '../../../ui/NamedValues.vue'
import { saveBytes } from '../../../ui/save'
import { saveTable } from '../../../ui/takeout'
import Unseen from '../../../ui/Unseen.vue'
import type { CutsView } from '../logic'

/** The run as it is cut, bent and welded; the run itself from CSV and to it. */
const build = useBuild()
const words = useVocabulary()
const { send, trouble } = useSending()
const { data, waiting } = useInstrument('exhaust/cuts', ref({}))
type Cut = CutsView['cuts'][number]
const size = (v: number | null) => (v === null ? '–' : words.show(v, 'length'))
const COLUMNS: Column<Cut>[] = [
  { key: 'number', title: '', head: true, show: (c) => String(c.number) },
  { key: 'what', title: 'Cut', show: (c) => `${c.count > 1 ? `${c.count} × ` : ''}${c.what}` },
  { key: 'outside', title: 'tube', right: true, show: (c) => `${words.show(c.outside, 'size')} × ${words.show(c.wall, 'length')}` },
  { key: 'length', title: 'length', right: true, show: (c) => size(c.length) },
  { key: 'angle', title: 'angle', right: true, show: (c) => (c.angle === null ? '–' : words.show(c.angle, 'angle')) },
  { key: 'radius', title: 'radius', right: true, show: (c) => size(c.radius) },
  { key: 'turn', title: 'turned', right: true, show: (c) => (c.turn === null ? (c.angle === null ? '–' : 'not stated') : words.show(c.turn, 'angle')) },
  { key: 'material', title: 'of', mute: true, show: (c) => c.material },
  { key: 'mass', title: 'weighs', right: true, mute: true, show: (c) => words.show(c.mass, 'mass_small') },
  { key: 'piece', title: 'piece', right: true, mute: true, show: (c) => String(c.piece) },
]
const buy = computed(() => data.value?.buy.map((b) => ({ label: `Tube ${words.show(b.outside, 'size')}`, shown: `${words.show(b.straight, 'length')} straight${b.bends > 0 ? `, bends of ${words.show(b.bends, 'angle')} together` : ''}` })) ?? [])
const box = useTemplateRef<HTMLElement>('box')
const table = () => box.value?.querySelector('table')
function csv(): void {
  const element = table()
  if (element) saveTable({ kind: 'table', name: 'cut list', element }, build.build?.name ?? '')
}
const print = () => window.print()
const wrong = ref('')
async function out(): Promise<void> {
  try {
    const found = await files.listed('exhaust.pieces', build.document)
    if (found) saveBytes(found as Blob, `${build.build?.name ?? 'build'} exhaust`, '.csv')
    wrong.value = ''
  } catch (error) {
    wrong.value = error instanceof Problem ? (error.problems[0]?.message ?? error.message) : 'It did not come through. Try again.'
  }
}
const MOST = 15_000
async function chosen(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = '' // so that the same file, mended, is taken again
  if (!file) return
  if (file.size > MOST) {
    wrong.value = `${file.name} is too long: a run has 250 pieces at most.`
    return
  }
  wrong.value = ''
  await send(line('exhaust.pieces', await file.text(), { action: 'list' }))
}
</script>

<template>
  <section ref="box" class="card pad" data-cuts>
    <div class="cardhead">
      <h2 class="label">Cut list</h2>
      <span v-if="data?.by_piece" class="acts noprint"><button class="button" type="button" @click="csv">Save as CSV</button> <button class="button" type="button" @click="print">Print</button></span>
    </div>
    <template v-if="data?.by_piece">
      <p><strong>{{ data.cuts.length }} cuts, {{ data.welds }} welds</strong>, {{ data.joints }} loose {{ data.joints === 1 ? 'joint' : 'joints' }}, {{ words.show(data.mass, 'mass') }} in all.</p>
      <DataTable :id="(c) => String(c.number)" label="Cut list" :columns="COLUMNS" :rows="data.cuts" />
      <NamedValues :rows="buy" />
      <p class="mute">A piece's straight comes before its bends; lengths along the middle line, a cut's width and the weld's gap not taken off. Turned: looking along the gas, against the bend before.</p>
    </template>
    <p v-else-if="data" class="mute">The pipe is stated as a whole: a cut list is made of pieces. Add them one by one, or take them from a list.</p>
    <Unseen v-else :waiting="waiting">State the pipe piece by piece to have its cut list.</Unseen>
  </section>
  <section class="card pad noprint">
    <h2 class="label">The run as a list</h2>
    <p class="mute">CSV with a head: piece, diameter, length, bends, turn, bank, joint … as it is taken out. What comes in takes the place of the pieces there are.</p>
    <div class="acts">
      <button v-if="data?.by_piece" class="button" type="button" @click="out">Take it out as CSV</button>
      <input class="input file" type="file" accept=".csv" aria-label="The run from a CSV file" @change="chosen" />
    </div>
    <p v-if="wrong || trouble" class="over" role="alert">{{ wrong || trouble }}</p>
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.file {
  flex: 0 1 260px;
  width: auto;
}
</style>
