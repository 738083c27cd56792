<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import Slide from '../../../ui/Slide.vue'
import Unseen from '../../../ui/Unseen.vue'
import { tube } from '../logic'
import { useHardest } from '../useHardest'
import UnrolledPipe from './UnrolledPipe.vue'

/** The pipe unrolled; a piece picked, dragged, split, repeated, pressed flat. */
const build = useBuild()
const words = useVocabulary()
const { send, trouble } = useSending()
const { index } = useHardest()
const scale = ref(100)
watch(() => build.build?.revision, () => (scale.value = 100))
const options = computed(() => ({ duty: index.value, bore_scale: scale.value / 100 }))
const { data, waiting } = useInstrument('exhaust/pipe', options)
const judged = computed(() => build.report?.systems.exhaust !== undefined)

const picked = ref<string | null>(null)
const piece = computed(() => data.value?.pieces.find((p) => p.id && p.id === picked.value))
const number = computed(() => (data.value?.pieces.findIndex((p) => p === piece.value) ?? -1) + 1)
const path = (name: string) => `exhaust.pieces.${picked.value ?? ''}.${name}`
const own = () => `parts.${picked.value ?? ''}`
const lengthen = (metres: number) => send(line(path('length'), `${(1000 * Math.max(metres, 0.005)).toFixed(0)} mm`, { evidence: 'guess' }))
const widen = (metres: number) => send(line(path('diameter'), `${+(1000 * metres).toFixed(1)} mm`, { evidence: 'guess' }))
const sold = computed(() => data.value?.tubes ?? [])
const press = () => (piece.value?.oval ? send(line(path('shape'), null), line(path('height'), null)) : send(line(path('shape'), 'oval')))
const part = (action: 'repeat' | 'split' | 'remove') => send(line(own(), null, { action }))
/** Arrow keys on a picked piece: 10 mm longer or shorter, a tube wider or narrower. */
function key(event: KeyboardEvent): void {
  const p = piece.value
  if (!p) return
  const acts: Record<string, () => void> = {
    ArrowRight: () => void lengthen(p.end - p.start + 0.01), ArrowLeft: () => void lengthen(p.end - p.start - 0.01),
    ArrowUp: () => void widen(tube(sold.value, p.outside, 1)), ArrowDown: () => void widen(tube(sold.value, p.outside, -1)),
  }
  const act = acts[event.key]
  if (!act) return
  event.preventDefault()
  act()
}
const hottest = computed(() => Math.max(...(data.value?.pieces.map((p) => p.surface) ?? [0])))
const held = computed(() => {
  const d = data.value
  if (!d) return ''
  const size = (v: number) => words.show(v, 'size')
  const flex = d.flex_at === null ? `no flex yet: within 300 mm of ${words.show(d.flex_wanted, 'distance')} from the flange` : `flex at ${words.show(d.flex_at, 'distance')}`
  const rock = d.flange_moves === null ? '' : `; the engine rocks its flange ${size(d.flange_moves)}`
  return `Hot, it is ${size(d.grows)} longer; ${flex}; first rigid point from ${words.show(d.rigid_from, 'distance')} on${rock}.`
})
</script>

<template>
  <section v-if="judged" class="card pad" data-pipe>
    <div class="cardhead">
      <h2 class="label">Where the pressure goes, flange to tip</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="data">
      <p class="answer"><strong>{{ words.show(data.back_pressure, 'pressure_difference') }}</strong> at the flange costs about <strong>{{ words.show(data.cost, 'power') }}</strong>. {{ words.show(data.mass, 'mass') }}, {{ data.noise }}.</p>
      <UnrolledPipe v-model:picked="picked" :data="data" @length="lengthen" @tube="widen" @key="key" />
      <div v-if="piece" class="acts" role="group" :aria-label="`Piece ${number}`">
        <span><strong>{{ number }} {{ piece.name }}</strong> {{ words.show(piece.end - piece.start, 'length') }}<template v-if="piece.bends">, {{ words.show(piece.bends, 'angle') }} of bends</template>, {{ words.show(piece.mass, 'mass') }}, {{ words.show(piece.surface, 'temperature') }} outside</span>
        <button class="button" type="button" @click="part('split')">Split</button>
        <button class="button" type="button" @click="part('repeat')">Copy</button>
        <button class="button" type="button" @click="press">{{ piece.oval ? 'Round again' : 'Press oval' }}</button>
        <button class="button" type="button" @click="part('remove')">Take out</button>
      </div>
      <p v-else-if="data.pieces.some((p) => p.id)" class="mute">Press a piece to drag its length or its tube, split, copy or flatten it; arrow keys do the same.</p>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <Slide v-model="scale" label="All bores" :min="60" :max="160" :text="`${scale} %`">
        <button v-if="scale !== 100" class="textlink" type="button" @click="scale = 100">as fitted</button>
      </Slide>
      <p class="mute">Fastest gas Mach {{ data.mach.toFixed(2) }}; outside {{ words.show(hottest, 'temperature') }} at its hottest. {{ held }} To measure it: a bung ahead of the first silencer, a gauge behind a metre of steel pipe, full load in a tall gear.</p>
    </template>
    <Unseen v-else :waiting="waiting">Give the tube's outside diameter and the whole length, or the pipe piece by piece, to see where the pressure goes.</Unseen>
  </section>
</template>

<style scoped>
.answer {
  margin: 2px 0 6px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
  margin: 6px 0;
}
</style>
