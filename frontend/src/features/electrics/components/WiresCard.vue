<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Pick from '../../../ui/Pick.vue'
import { saveTable } from '../../../ui/takeout'
import Unseen from '../../../ui/Unseen.vue'
import { fault, wiresSaid, type WiresView } from '../logic'
import FuseBand from './FuseBand.vue'

/** Every run: what it loses and bears, its fuse between load and wire; one picked with every size; cut list and labels. */
const words = useVocabulary()
const build = useBuild()
const { send, trouble } = useSending()
const picked = ref(0)
const { data, waiting } = useInstrument('electrics/wires', computed(() => ({ run: picked.value })))
watch(() => data.value?.runs.length, (n) => n !== undefined && picked.value >= n && (picked.value = 0))
watch(() => build.build?.id, () => (picked.value = 0))
const show = (v: number, kind: string) => words.show(v, kind)
const said = computed(() => (data.value ? wiresSaid(data.value) : ''))
const bad = computed(() => data.value?.runs.some((r) => !r.holds) ?? false)
type Run = WiresView['runs'][number]
type Size = WiresView['sizes'][number]
const COLUMNS: Column<Run>[] = [
  { key: 'number', title: '', head: true, show: (r) => String(r.number) },
  { key: 'name', title: 'Feeds', show: (r) => r.name },
  { key: 'area', title: 'wire', right: true, show: (r) => show(r.area, 'wire_area') },
  { key: 'cut', title: 'cut', right: true, show: (r) => show(r.cut, 'length') },
  { key: 'amps', title: 'carries', right: true, show: (r) => show(r.amps, 'current') },
  { key: 'drop', title: 'loses', right: true, show: (r) => show(r.drop, 'voltage_drop'), over: (r) => r.drop > r.allowed },
  { key: 'bears', title: 'bears', right: true, show: (r) => show(r.bears, 'current'), over: (r) => r.low > r.bears },
  { key: 'fuse', title: 'fuse', right: true, show: (r) => (r.fuse === null ? (r.fuses.length ? `${r.fuses.slice(0, 3).join(', ')} A would do` : 'none fits') : show(r.fuse, 'current')), over: (r) => r.fuse !== null && (r.fuse > r.bears || r.fuse < r.low) },
  { key: 'fault', title: '', over: () => true, show: (r) => fault(r) },
]
const LABELS: Column<Run>[] = [
  { key: 'label', title: 'Label, at both ends', head: true, show: (r) => `${r.number} ${r.name}` },
  { key: 'wire', title: 'wire', right: true, show: (r) => show(r.area, 'wire_area') },
  { key: 'fuse', title: 'fuse', right: true, show: (r) => (r.fuse === null ? '–' : show(r.fuse, 'current')) },
  { key: 'switched', title: 'switched by', mute: true, show: (r) => r.switched },
  { key: 'back', title: 'goes back', mute: true, show: (r) => r.back },
]
const SIZES: Column<Size>[] = [
  { key: 'area', title: 'Size', head: true, show: (s) => `${show(s.area, 'wire_area')}${s.awg ? `, ${s.awg}` : ''}` },
  { key: 'drop', title: 'loses', right: true, show: (s) => show(s.drop, 'voltage_drop'), over: (s) => s.drop > (run.value?.allowed ?? 9) },
  { key: 'bears', title: 'bears', right: true, show: (s) => show(s.bears, 'current'), over: (s) => s.bears < (run.value?.low ?? 0) },
  { key: 'gauge', title: 'the gauge', right: true, mute: true, show: (s) => (s.awg_bears === null ? '' : show(s.awg_bears, 'current')) },
  { key: 'fuses', title: 'fuses that fit', show: (s) => (s.fuses.length ? s.fuses.slice(0, 4).map((f) => `${f} A`).join(', ') : `none: needs ${show(run.value?.low ?? 0, 'current')}`), over: (s) => !s.fuses.length },
]
const run = computed(() => data.value?.runs[data.value.picked])
const names = computed(() => data.value?.runs.map((r, i) => ({ value: String(i), label: `${r.number} ${r.name}` })) ?? [])
const which = computed({ get: () => String(picked.value), set: (v: string) => (picked.value = Number(v)) })
const best = computed(() => data.value?.sizes.find((s) => s.serves))
const better = computed(() => Boolean(best.value && run.value && Math.abs(best.value.area - run.value.area) > 1e-9 && !run.value.holds))
async function take(): Promise<void> {
  if (!best.value || !run.value) return
  const place = `electrics.runs.${run.value.id}`
  const fuse = run.value.fuse === null || best.value.fuses.includes(run.value.fuse) ? [] : [line(`${place}.fuse`, `${best.value.fuses[0]} A`, { evidence: 'guess' })]
  await send(line(`${place}.area`, `${Number((best.value.area * 1e6).toPrecision(4))} mm2`, { evidence: 'guess' }), ...fuse)
}
const box = useTemplateRef<HTMLElement>('box')
function csv(): void {
  const element = box.value?.querySelector('table')
  if (element) saveTable({ kind: 'table', name: 'wires', element }, build.build?.name ?? '')
}
const print = () => window.print()
</script>

<template>
  <section ref="box" class="card pad" data-wires>
    <div class="cardhead">
      <h2 class="label">Wires and fuses</h2>
      <span v-if="data" class="noprint"><button class="button" type="button" @click="csv">Save as CSV</button> <button class="button" type="button" @click="print">Print</button></span>
    </div>
    <template v-if="data">
      <p role="status"><strong :class="{ over: bad }">{{ said }}</strong></p>
      <DataTable :id="(r) => r.id" label="Runs of wire, to cut" :columns="COLUMNS" :rows="data.runs" />
      <div class="cardhead"><h3 class="label">One run</h3><Pick v-model="which" label="Run" :options="names" /></div>
      <template v-if="run">
        <FuseBand :run="run" />
        <DataTable :id="(s) => String(s.area)" label="Sizes for it" :columns="SIZES" :rows="data.sizes" />
        <p v-if="better && best" class="noprint"><button class="button main" type="button" @click="take">Take {{ show(best.area, 'wire_area') }}</button></p>
      </template>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <p class="mute">A fuse guards the wire: at least the load over {{ Math.round(100 * data.loaded) }} %, never over what the wire bears where it lies, within {{ show(data.near, 'size') }} of its source. Motors want a slow one.</p>
      <h3 class="label">Labels</h3>
      <DataTable :id="(r) => r.id" label="Labels of runs" :columns="LABELS" :rows="data.runs" />
    </template>
    <Unseen v-else :waiting="waiting">List runs under “What is fitted”: what each feeds, its length one way with slack, its size. Thick enough by volts and by amps, its fuse between the two.</Unseen>
  </section>
</template>
