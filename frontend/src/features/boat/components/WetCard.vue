<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Pick from '../../../ui/Pick.vue'
import Slide from '../../../ui/Slide.vue'
import Unseen from '../../../ui/Unseen.vue'
import { DRAGGED, moved, type Dragged, type Moves, type WetView } from '../logic'
import WetDrawing from './WetDrawing.vue'

/** The wet exhaust from the side, at rest or leaning; riser, highest place and silencer are dragged, and everything answers. */
const words = useVocabulary()
const build = useBuild()
const { send, trouble } = useSending()
const heel = ref(0)
const trim = ref(0)
const moves = ref<Moves>({})
watch(() => `${build.build?.id} ${build.build?.revision}`, () => (moves.value = {}))
const { data, waiting } = useInstrument('boat/wet', computed(() => ({ heel: heel.value, trim: trim.value, ...moves.value })))
const wet = computed(() => build.build?.facts['machine.exhaust']?.text !== 'dry')
const picked = computed({
  get: () => data.value?.positions.find(([, h, t]) => Math.abs(Number(h) - heel.value) < 1e-6 && Math.abs(Number(t) - trim.value) < 1e-6)?.[0]?.toString() ?? '',
  set: (name: string) => {
    const found = data.value?.positions.find((p) => p[0] === name)
    if (!found) return
    heel.value = Number(found[1])
    trim.value = Number(found[2])
  },
})
const places = computed(() => [...(picked.value === '' ? [{ value: '', label: 'as dragged' }] : []), ...(data.value?.positions.map(([name]) => ({ value: String(name), label: String(name) })) ?? [])])
const deg = (rad: number) => Math.round((rad * 180) / Math.PI)
const heelAt = computed({ get: () => deg(heel.value), set: (v: number) => (heel.value = (v * Math.PI) / 180) })
const trimAt = computed({ get: () => deg(trim.value), set: (v: number) => (trim.value = (v * Math.PI) / 180) })
const said = (v: number, left: string, right: string) => (v === 0 ? 'none' : `${Math.abs(v)}° ${v > 0 ? right : left}`)
const from = computed((): Record<Dragged, number | null> => {
  const at = (id: string) => data.value?.spots.find((s) => s.id === id)
  const floor = build.build?.facts['boat.silencer_over']
  return { riser: at('riser')?.over ?? null, high: at('high')?.over ?? null, high_aft: at('high')?.aft ?? null, silencer: floor?.si ?? null, silencer_aft: build.build?.facts['boat.silencer_aft']?.si ?? null }
})
function by(id: 'riser' | 'high' | 'silencer', aft: number, up: number): void {
  moves.value = moved(moves.value, from.value, id, aft, up)
}
const changed = computed(() => Object.entries(moves.value) as [Dragged, number][])
async function set(): Promise<void> {
  await send(...changed.value.map(([id, metres]) => line(`boat.${DRAGGED[id]}`, `${Math.round(1000 * metres)} mm`, { evidence: 'guess' })))
}
type Answer = WetView['answers'][number]
const show = (a: Answer, v: number) => words.show(v, a.kind)
const COLUMNS: Column<Answer>[] = [
  { key: 'name', title: 'Keeps the sea out', head: true, show: (a) => `${a.name}${a.danger && a.fill > 1 ? ': danger' : ''}` },
  { key: 'actual', title: 'is', right: true, show: (a) => show(a, a.actual), over: (a) => a.fill > 1 },
  { key: 'kept', title: 'asked', right: true, mute: true, show: (a) => `${a.most ? 'under' : 'over'} ${show(a, a.kept)}` },
]
const first = computed(() => {
  const answers = data.value?.answers ?? []
  return answers.filter((a) => a.fill > 1).sort((a, b) => Number(b.danger) - Number(a.danger) || b.fill - a.fill)
})
const verdict = computed(() => {
  if (!data.value?.answers.length) return ''
  const worst = first.value[0]
  if (!worst) return 'All that is stated keeps the sea out, leaning as far as it is used.'
  const more = first.value.length > 1 ? ` and ${first.value.length - 1} more` : ''
  return `${worst.name}: ${show(worst, worst.actual)} instead of ${worst.most ? 'at most' : 'at least'} ${show(worst, worst.kept)}${more}.`
})
const lacks = computed(() => [...new Set(data.value?.lacks ?? [])].map((p) => words.label(p)))
</script>

<template>
  <section class="card pad" data-wet>
    <div class="cardhead">
      <h2 class="label">The wet exhaust, from the side</h2>
      <Pick v-if="data" v-model="picked" label="Position" :options="places" />
    </div>
    <template v-if="data && wet && data.spots.length">
      <p><strong :class="{ over: first.length }">{{ verdict }}</strong></p>
      <WetDrawing :data="data" @by="by" />
      <Slide v-model="heelAt" label="Heel" :min="-deg(Math.max(data.heel_most, 0.35))" :max="deg(Math.max(data.heel_most, 0.35))" :text="said(heelAt, 'to port', 'to starboard')" />
      <Slide v-model="trimAt" label="Trim" :min="-deg(Math.max(data.trim_most, 0.18))" :max="deg(Math.max(data.trim_most, 0.18))" :text="said(trimAt, 'stern down', 'bow down')" />
      <p v-if="changed.length" class="row">
        <button class="button" type="button" @click="set">Set it so</button>
        <button class="textlink" type="button" @click="moves = {}">As it was</button>
      </p>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <DataTable :id="(a) => a.id" label="What keeps the sea out" :columns="COLUMNS" :rows="data.answers" />
      <p class="mute"><template v-if="data.silencer?.runs_back != null">{{ words.show(data.silencer.runs_back, 'volume') }} run back from {{ words.show(data.length, 'length') }} of hose when it stops; the silencer holds {{ words.show(data.silencer.holds, 'volume') }} {{ data.silencer.position }}, {{ words.show(data.silencer.rest, 'volume') }} at rest. </template><template v-if="data.crank !== null">It may crank {{ words.show(data.crank, 'time') }} before it floods. </template><template v-if="data.mix !== null">The mix in the hose is {{ words.show(data.mix, 'temperature') }} at its warmest.</template></p>
      <p v-if="lacks.length" class="mute">Not stated yet: {{ lacks.join(', ').toLowerCase() }}.</p>
    </template>
    <p v-else-if="data && !wet" class="mute">The exhaust is dry: its own station judges it.</p>
    <Unseen v-else :waiting="waiting">Give the height of the manifold's port over the waterline, where water is injected, the hose's highest place and the silencer's floor. A clear hose full of water shows the waterline inside.</Unseen>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  gap: 14px;
  align-items: center;
}
</style>
