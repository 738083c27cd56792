<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import ActList from '../../../ui/ActList.vue'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { saveTable } from '../../../ui/takeout'
import Unseen from '../../../ui/Unseen.vue'
import { ledgerSaid, marks, short, strip, type LedgerView, type RunRow } from '../logic'

/** Every run in the order in which it is laid, drawn along the machine; what shares a lane, what crosses, what is forgotten. */
const words = useVocabulary()
const build = useBuild()
const { send, add, trouble } = useSending()
const { data, waiting } = useInstrument('routes/ledger', ref({}))
const said = computed(() => (data.value ? ledgerSaid(data.value) : ''))
const bad = computed(() => data.value?.runs.some(short) ?? false)
const show = (v: number | null, kind: string) => (v === null ? '–' : words.show(v, kind))
const COLUMNS: Column<RunRow>[] = [
  { key: 'number', title: '', head: true, show: (r) => String(r.number) },
  { key: 'name', title: 'Run, as it is laid', show: (r) => `${r.name}${r.before ? ', before the engine goes in' : ''}` },
  { key: 'bore', title: 'bore', right: true, show: (r) => show(r.bore, 'size') },
  { key: 'cut', title: 'cut to', right: true, show: (r) => show(r.cut, 'length'), over: short },
  { key: 'needed', title: 'its way asks', right: true, mute: true, show: (r) => show(r.needed, 'length') },
  { key: 'slack', title: 'of it slack', right: true, mute: true, show: (r) => show(r.slack, 'size') },
  { key: 'clips', title: 'clips', right: true, show: (r) => (r.clips === null ? `${show(r.clips_most, 'size')} at most` : show(r.clips, 'size')), over: (r) => (r.clips ?? 0) > r.clips_most },
]
const LABELS: Column<RunRow>[] = [
  { key: 'label', title: 'Label, at both ends', head: true, show: (r) => `${r.number} ${r.what}` },
  { key: 'from', title: 'from', show: (r) => r.starts || '–' },
  { key: 'to', title: 'to', show: (r) => r.ends || '–' },
  { key: 'cut', title: 'cut to', right: true, show: (r) => show(r.cut ?? r.needed, 'length') },
]
type Bundle = LedgerView['bundles'][number]
const BUNDLES: Column<Bundle>[] = [
  { key: 'lane', title: 'On the', head: true, show: (b) => data.value?.lanes[b.lane] ?? '' },
  { key: 'from', title: 'from', right: true, show: (b) => show(b.start, 'length') },
  { key: 'to', title: 'to', right: true, show: (b) => show(b.end, 'length') },
  { key: 'runs', title: 'runs', show: (b) => b.numbers.join(', ') },
  { key: 'across', title: 'across', right: true, show: (b) => show(b.across, 'size') },
  { key: 'apart', title: '', over: () => true, show: (b) => (b.apart.length ? `keep apart: ${b.apart.length}` : '') },
]
const many = computed(() => data.value?.bundles.filter((b) => b.numbers.length > 1) ?? [])
const apart = computed(() => [...new Set(many.value.flatMap((b) => b.apart))])
const W = 470
const H = 190
const drawn = computed(() => (data.value ? strip(data.value, W, H) : null))
const scale = computed(() => (data.value ? marks(data.value) : []))
const picked = ref<number | null>(null)
const told = computed(() => data.value?.runs.find((r) => r.number === picked.value))
const box = useTemplateRef<HTMLElement>('box')
const table = (label: string) => box.value?.querySelector<HTMLTableElement>(`[aria-label="${label}"] table`)
function csv(): void {
  const element = table('Runs, as they are laid')
  if (element) saveTable({ kind: 'table', name: 'routes', element }, build.build?.name ?? '')
}
const print = () => window.print()
/** One that is stated elsewhere is listed here, with what is known of it. */
async function route(path: string): Promise<void> {
  const run = data.value?.forgotten.find((f) => f.path === path)
  const made = run && (await add('routes.routes'))
  if (!run || made == null) return
  await send(line(`routes.routes.${made}.what`, run.what), ...(run.length === null ? [] : [line(`routes.routes.${made}.length`, `${Number(run.length.toFixed(3))} m`, { evidence: 'similar' })]))
}
const lost = computed(() => (data.value?.forgotten ?? []).map((run) => ({ key: run.path, name: run.name, note: run.length === null ? undefined : show(run.length, 'length') })))
</script>

<template>
  <section ref="box" class="card pad" data-ledger>
    <div class="cardhead">
      <h2 class="label">Routing ledger</h2>
      <span v-if="data?.runs.length" class="noprint"><button class="button" type="button" @click="csv">Save as CSV</button> <button class="button" type="button" @click="print">Print</button></span>
    </div>
    <template v-if="data && (data.runs.length || data.forgotten.length)">
      <p role="status"><strong :class="{ over: bad }">{{ said }}</strong></p>
      <template v-if="drawn?.tracks.length">
        <div class="drawing" tabindex="0">
            <svg :viewBox="`0 0 ${W} ${H + 26}`" role="img" :aria-label="`Runs along the machine, its nose on the left: ${drawn.tracks.map((t) => `${t.run.number} ${t.run.name}`).join('; ')}`">
              <g v-for="(name, i) in data.lanes" :key="name">
                <rect x="0" :y="drawn.lane * i" :width="W" :height="drawn.lane - 2" class="lane" />
                <text :x="W - 4" :y="drawn.lane * (i + 1) - 7" text-anchor="end" class="word">{{ name }}</text>
              </g>
              <path v-for="t in drawn.tracks" :key="t.run.id" :d="t.path" class="run" :class="{ picked: t.run.number === picked }" @click="picked = t.run.number" />
              <circle v-for="(c, i) in drawn.crossings" :key="i" :cx="c.px" :cy="c.py" r="4" class="cross" />
              <g v-for="t in drawn.tracks" :key="`n${t.run.id}`">
                <circle :cx="t.points[0]?.[0]" :cy="t.points[0]?.[1]" r="8" class="end" />
                <text :x="t.points[0]?.[0]" :y="(t.points[0]?.[1] ?? 0) + 4" text-anchor="middle" class="number">{{ t.run.number }}</text>
              </g>
              <g v-for="m in scale" :key="m">
                <line :x1="drawn.x(m)" :x2="drawn.x(m)" :y1="H" :y2="H + 5" class="axis" />
                <text :x="drawn.x(m)" :y="H + 18" text-anchor="middle" class="word">{{ words.show(m, 'length') }}</text>
              </g>
            </svg>
        </div>
        <p class="mute">From the nose, left to right. {{ told ? `${told.number}: ${told.name}.` : data.crossings.length ? `${data.crossings.length === 1 ? 'One crossing' : `${data.crossings.length} crossings`}, ringed: square across, the stiffer nearer the shell, something between.` : 'Nothing crosses.' }}</p>
      </template>
      <DataTable v-if="data.runs.length" :id="(r) => r.id" label="Runs, as they are laid" :columns="COLUMNS" :rows="data.runs" :marked="(r) => r.number === picked" />
      <template v-if="data.forgotten.length">
        <h3 class="label">Stated elsewhere, not routed</h3>
        <ActList act="route it" :rows="lost" @act="route" />
      </template>
      <template v-if="many.length">
        <h3 class="label">Side by side</h3>
        <DataTable :id="(b) => `${b.lane} ${b.start}`" label="Side by side" :columns="BUNDLES" :rows="many" />
        <p v-for="pair in apart" :key="pair" class="over">{{ pair }}.</p>
      </template>
      <template v-if="data.runs.length">
        <h3 class="label">Labels</h3>
        <DataTable :id="(r) => r.id" label="Labels of runs" :columns="LABELS" :rows="data.runs" />
      </template>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <p class="mute">Stiff before soft, long before short, what the engine covers first (common practice). Slack follows the engine’s rock where Mounts has it.</p>
    </template>
    <Unseen v-else :waiting="waiting">List runs under “What is fitted”: every hose, pipe, cable and wire with its way. What Fuel, Oil, Cooling, Boat and Electrics tell of shows here until it is routed.</Unseen>
  </section>
</template>

<style scoped>
.drawing svg {
  display: block;
  width: 100%;
}
.lane {
  fill: var(--glass);
}
.word {
  font: 500 12px var(--labels);
  fill: var(--mute);
}
.run {
  fill: none;
  stroke: var(--routes);
  stroke-width: 2.5;
  stroke-linejoin: round;
  cursor: pointer;
}
.picked {
  stroke: var(--ink);
  stroke-width: 4;
}
.cross {
  fill: none;
  stroke: var(--ink);
}
.end {
  fill: var(--card);
  stroke: var(--routes);
}
.number {
  font: 600 11px var(--labels);
  fill: var(--ink);
}
.axis {
  stroke: var(--mute);
}
</style>
