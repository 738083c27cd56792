<script setup lang="ts">
import { computed, inject, ref, watch } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { ChartPanel } from '../../../ui/lazyChart'
import Pick from '../../../ui/Pick.vue'
import Slide from '../../../ui/Slide.vue'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'
import { offSaid, ohmAt, OPEN, stepOf, type SendersView } from '../logic'
import SpeedCard from './SpeedCard.vue'

/** Senders against their gauges: what each reads, resistors that match, its thread and place. */
const words = useVocabulary()
const build = useBuild()
const look = inject(THEME)
const { send, trouble } = useSending()
const picked = ref(0)
const tried = ref<{ series: number; parallel: number } | null>(null)
const { data, waiting } = useInstrument('electrics/senders', computed((): Record<string, number> => ({ sender: picked.value, ...(tried.value ? { series: ohmAt(tried.value.series), parallel: ohmAt(tried.value.parallel) } : {}) })))
watch(() => [build.build?.id, data.value?.senders.length], () => {
  if (picked.value >= (data.value?.senders.length ?? 1)) picked.value = 0
})
const which = computed({ get: () => String(picked.value), set: (v: string) => {
  picked.value = Number(v)
  tried.value = null
} })
const names = computed(() => data.value?.senders.map((s, i) => ({ value: String(i), label: s.name })) ?? [])
type Row = SendersView['senders'][number]
type Trace = SendersView['traces'][number]
const own = computed(() => data.value?.senders[data.value.picked])
const off = (row: Row, worst: number) => offSaid(worst, words.show(Math.abs(worst), row.off))
const COLUMNS: Column<Row>[] = [
  { key: 'name', title: 'Sender', head: true, show: (r) => r.name },
  { key: 'worst', title: 'reads', show: (r) => (r.contrary ? 'the wrong way round' : r.worst === null ? 'not known' : off(r, r.worst)), over: (r) => r.contrary || Math.abs(r.worst ?? 0) > r.allowed },
  { key: 'thread', title: 'thread', show: (r) => r.thread || '–', over: (r) => r.thread_goes === false },
  { key: 'sits', title: 'sits', mute: true, show: (r) => r.sits || '–' },
]
const ohms = (v: number | null) => (v === null ? 'none' : words.show(v, 'ohms'))
const TRACES: Column<Trace>[] = [
  { key: 'name', title: 'Wired', head: true, show: (t) => t.name },
  { key: 'series', title: 'in its line', right: true, show: (t) => (t.series > 0 ? ohms(t.series) : 'none') },
  { key: 'parallel', title: 'across both', right: true, show: (t) => ohms(t.parallel) },
  { key: 'worst', title: 'worst', right: true, show: (t) => (own.value ? off(own.value, t.worst) : ''), over: (t) => Math.abs(t.worst) > (own.value?.allowed ?? 0) },
  { key: 'watts', title: 'heat', right: true, mute: true, show: (t) => (t.watts ? `${t.watts.toFixed(2)} W` : '–') },
]
const option = computed(() => {
  const d = data.value
  if (!d?.traces.length || !own.value || look === undefined) return null
  void look.dark.value
  const kind = own.value.kind
  const v = (x: number) => Number(words.value(x, kind).toPrecision(4))
  const first = d.traces[0]
  const colours = ['over', 'electrics', 'fuel'] as const
  return plotOption({
    x: `true, ${words.unit(kind)}`, y: `reads, ${words.unit(kind)}`,
    lines: [
      ...d.traces.map((t, i) => ({ name: t.name, points: t.true.map((x, k): [number, number] => [v(x), v(t.reads[k] ?? 0)]), colour: read(colours[i] ?? 'mute'), at: [0.3, 0.75, 0.5][i] ?? 0.5, side: (i ? 'bottom' : 'top') as 'bottom' | 'top' })),
      { name: 'true', points: (first?.true ?? []).map((x): [number, number] => [v(x), v(x)]), colour: read('mute'), dashed: true, at: 0.95, side: 'top' as const },
    ],
  })
})
const best = computed(() => data.value?.traces.find((t) => t.name.startsWith('matched')))
const now = computed(() => data.value?.traces.find((t) => t.name.startsWith('as it')))
const better = computed(() => Boolean(best.value && now.value && Math.abs(best.value.worst) < 0.9 * Math.abs(now.value.worst)))
const at = computed(() => tried.value ?? { series: stepOf(own.value?.series ?? 0), parallel: stepOf(own.value?.parallel ?? null) })
const line_ = computed({ get: () => at.value.series, set: (v: number) => (tried.value = { ...at.value, series: v }) })
const across = computed({ get: () => at.value.parallel, set: (v: number) => (tried.value = { ...at.value, parallel: v }) })
const said = computed(() => {
  const row = own.value
  if (!row) return ''
  if (row.contrary) return `Its ohms run against its gauge’s: no resistors turn that round. ${data.value?.constant ? `A needle that stands still is off by ${words.show(data.value.constant, 'share')} of the range as well.` : ''} The gauge’s own sender, or a converter.`
  if (row.worst === null) return row.goes === 'computer' ? 'State its ohms and both pull-ups to see what the computer reads.' : 'State two places of the sender and two of its gauge to see what it reads.'
  return `It reads ${off(row, row.worst)} at worst; ${words.show(row.allowed, row.off)} may be.`
})
async function take(): Promise<void> {
  if (!best.value || !own.value) return
  const place = `electrics.senders.${own.value.id}`
  tried.value = null
  await send(line(`${place}.series`, `${best.value.series} ohm`, { evidence: 'sheet' }), line(`${place}.parallel`, best.value.parallel === null ? null : `${best.value.parallel} ohm`, { evidence: 'sheet' }))
}
</script>

<template>
  <section class="card pad" data-senders>
    <h2 class="label">Senders and gauges</h2>
    <template v-if="data">
      <DataTable :id="(r) => r.id" label="Senders" :columns="COLUMNS" :rows="data.senders" />
      <div class="cardhead"><h3 class="label">One sender</h3><Pick v-model="which" label="Sender" :options="names" /></div>
      <p role="status"><strong :class="{ over: own && (own.contrary || Math.abs(own.worst ?? 0) > own.allowed) }">{{ said }}</strong></p>
      <ChartPanel v-if="option" :option="option" label="What the gauge reads over what is true" />
      <template v-if="data.traces.length && own?.goes === 'gauge'">
        <DataTable :id="(t) => t.name" label="Resistors" :columns="TRACES" :rows="data.traces" />
        <Slide v-model="line_" label="In its line" :min="0" :max="OPEN - 1" :text="ohms(ohmAt(at.series))" />
        <Slide v-model="across" label="Across both" :min="1" :max="OPEN" :text="at.parallel >= OPEN ? 'none' : ohms(ohmAt(at.parallel))" />
        <p v-if="better" class="noprint"><button class="button main" type="button" @click="take">Take the resistors that match</button></p>
      </template>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <p class="mute">One resistor in the sender’s line, one from the gauge’s pin to earth. A gauge that reads low where it matters hides what it is there for. A sensor’s earth goes to the computer, not to the block.</p>
    </template>
    <Unseen v-else :waiting="waiting">List senders under “What is fitted”: what each tells, its ohms at two places, its gauge’s at two, its thread and the hole’s.</Unseen>
  </section>
  <SpeedCard />
</template>
