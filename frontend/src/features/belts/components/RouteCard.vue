<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { inPlace } from '../../../station/parts'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import Pick from '../../../ui/Pick.vue'
import Unseen from '../../../ui/Unseen.vue'
import { round, verdict } from '../logic'
import { useBelt } from '../useBelt'
import BeltPick from './BeltPick.vue'
import LengthRuler from './LengthRuler.vue'
import PresetList from './PresetList.vue'
import RouteDrawing from './RouteDrawing.vue'

/** The belt from the front, to scale: a pulley dragged answers at once; where it may lie, the belt that is there, the length to buy. */
const words = useVocabulary()
const build = useBuild()
const belt = useBelt()
const { send, trouble } = useSending()
/** The pulley that is looked at or dragged, by its place in the order; where to [m]. */
const at = ref<number | null>(null)
const to = ref<{ right: number; up: number } | null>(null)
watch(() => `${build.build?.id} ${build.build?.revision} ${belt.value}`, () => (to.value = null))
watch(belt, () => (at.value = null))
const options = computed((): Record<string, number> => ({ belt: belt.value, ...(at.value !== null && to.value ? { pulley: at.value, ...to.value } : {}) }))
const { data, waiting } = useInstrument('belts/route', options)
const { data: places } = useInstrument('belts/places', computed((): Record<string, number> => ({ belt: belt.value, ...(at.value === null ? {} : { pulley: at.value }) })))
const { data: presets } = useInstrument('belts/presets', ref({}))
const none = computed(() => inPlace(build.document, 'belts.pulleys').length === 0)
const show = (v: number, kind: string) => words.show(v, kind)
const said = computed(() => verdict(data.value, show))
const bad = computed(() => Boolean(data.value && (data.value.why || !/^It holds/.test(said.value))))
const chosen = computed(() => (at.value === null ? undefined : data.value?.pulleys[at.value]))
function by(index: number, right: number, up: number): void {
  const p = data.value?.pulleys[index]
  if (!p) return
  // From where it stands in the build: what is drawn may still be on its way back.
  const stands = (n: 'right' | 'up') => build.build?.facts[`belts.pulleys.${p.id}.${n}`]?.si ?? p[n]
  const from = at.value === index && to.value ? to.value : { right: stands('right'), up: stands('up') }
  at.value = index
  to.value = { right: round(from.right + right), up: round(from.up + up) }
}
function pick(index: number): void {
  if (at.value !== index) to.value = null
  at.value = index
}
const picked = computed({ get: () => (at.value === null ? '' : String(at.value)), set: (v: string) => (v === '' ? ((at.value = null), (to.value = null)) : pick(Number(v))) })
const names = computed(() => [{ value: '', label: 'where may one lie?' }, ...(data.value?.pulleys.flatMap((p, i) => (p.what === 'crank' ? [] : [{ value: String(i), label: p.name }])) ?? [])])
async function keep(): Promise<void> {
  if (!to.value || !chosen.value) return
  const place = `belts.pulleys.${chosen.value.id}`
  await send(...(['right', 'up'] as const).map((n) => line(`${place}.${n}`, `${Math.round(1000 * (to.value?.[n] ?? 0))} mm`, { evidence: 'guess' })))
}
const moved = computed(() => to.value && chosen.value && `${chosen.value.name} at ${show(Math.abs(to.value.right), 'length')} ${to.value.right < 0 ? 'left' : 'right'}, ${show(Math.abs(to.value.up), 'length')} ${to.value.up < 0 ? 'down' : 'up'}`)
const nearest = computed(() => (places.value?.nearest && at.value !== null ? places.value.nearest : null))
function take(): void {
  if (nearest.value) to.value = { right: round(Number(nearest.value[0])), up: round(Number(nearest.value[1])) }
}
</script>

<template>
  <PresetList v-if="none && presets" :presets="presets" />
  <section class="card pad" data-belt>
    <div class="cardhead">
      <h2 class="label">From the front, to scale</h2>
      <BeltPick v-if="data" :belts="data.belts" />
      <Pick v-if="data" v-model="picked" label="Room of" :options="names" />
    </div>
    <template v-if="data">
      <p role="status"><strong :class="{ over: bad }">{{ said }}</strong></p>
      <RouteDrawing :data="data" :places="at === null ? null : places" :at="at" @by="by" @pick="pick" />
      <p v-if="moved" class="row">
        <span class="mute">{{ moved }}</span>
        <button class="button main" type="button" @click="keep">Keep it here</button>
        <button class="textlink" type="button" @click="to = null">Put it back</button>
      </p>
      <p v-else-if="places && at !== null" class="row">
        <span class="mute">{{ places.share > 0 ? `The ${places.name} may lie on the shaded places: they keep wraps, spans and room, belts ${show(places.least ?? 0, 'length')} to ${show(places.most ?? 0, 'length')}.` : `No place near here keeps wraps, spans and room for the ${places.name}.` }}<template v-if="places.length !== null"> {{ places.line.length ? `The brass line: the ${show(places.length, 'length')} there serves.` : `The ${show(places.length, 'length')} there serves nowhere near.` }}</template></span>
        <button v-if="nearest" class="textlink" type="button" @click="take">The nearest that serves</button>
      </p>
      <p v-else class="mute">Drag a pulley, or pick one to see where it may lie. In a pulley: wrap, and grip over need.</p>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <LengthRuler v-if="data.bought" :bought="data.bought" />
      <p class="mute">
        <template v-if="data.arm">The arm pulls {{ show(data.arm.pulls, 'force') }} and takes up {{ show((data.arm.answers * Math.PI) / 180, 'size') }} a degree. </template>
        <template v-if="!data.why">Belt {{ show(data.belt_speed, 'speed_m_s') }} of {{ show(data.belt_speed_most, 'speed_m_s') }} at the limit. </template>
        <template v-if="data.clash">Nearest to the {{ data.clash[0] }}: {{ show(Number(data.clash[1]), 'size') }}.</template>
      </p>
    </template>
    <Unseen v-else :waiting="waiting">Two pulleys begin it, the crank one of them: what each is of, where it lies by two tapes from the crank’s centre, how large it is over the belt’s seat.</Unseen>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
}
</style>
