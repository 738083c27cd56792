<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import CautionNote from '../../../ui/CautionNote.vue'
import NamedValues from '../../../ui/NamedValues.vue'
import Unseen from '../../../ui/Unseen.vue'
import { hung } from '../logic'

/** How the unit hangs from its hook, side on, what each leg pulls, and what carries it. Cautions first. */
const build = useBuild()
const words = useVocabulary()
const { data, waiting } = useInstrument('weights/lifting', ref({}))
const { send, trouble } = useSending()
const cautions = computed(() => (build.report?.systems.weights?.cautions ?? []).filter((c) => c.id === 'hanging' || c.id === 'hoist'))
type Spot = [number, number]
const at = (spot: Spot, tilted = true) => (data.value ? hung(data.value, spot, tilted) : ([0, 0] as Spot))
/** The crank's line as far as it matters, and the bell's face. */
const parts = computed(() => {
  const d = data.value
  if (!d) return null
  const long: [Spot, Spot] = [[-0.35, 0], [0.65, 0]]
  const box: Spot[] = [[0, -0.14], [0.55, -0.14], [0.55, 0.3], [0, 0.3]]
  const case_: Spot[] = [[0, -0.1], [0, 0.12], [-0.35, 0.08], [-0.35, -0.07]]
  const poly = (points: Spot[], tilted: boolean) => `M${points.map((p) => at(p, tilted).map((v) => v.toFixed(1)).join(' ')).join('L')}Z`
  return { ghost: [poly(box, false), poly(case_, false)], hangs: [poly(box, true), poly(case_, true)], crank: long.map((p) => at(p)), ring: at(d.ring as Spot), balance: at(d.balance as Spot), eyes: d.legs.map((l) => at(l.eye as Spot)) }
})
const view = computed(() => {
  const p = parts.value
  if (!p) return '0 0 100 100'
  const top = p.ring[1] - 90
  return `-760 ${top} 1220 ${320 - top}`
})
const tilts = computed(() => {
  const d = data.value
  if (!d || Math.abs(d.tilt) < 0.002) return 'It hangs level.'
  const way = d.shift > 0 ? 'ahead' : 'back'
  return `It hangs ${words.show(Math.abs(d.tilt), 'angle')} ${d.tilt > 0 ? 'front up' : 'front down'}; the ring ${words.show(Math.abs(d.shift), 'size')} farther ${way} levels it.`
})
const rows = computed(() => {
  const d = data.value
  if (!d) return []
  return [
    { label: 'Hangs, with oil and dirt', shown: `${words.show(d.mass, 'mass')}, ${words.show(d.heavy, 'mass')}` },
    { label: d.reach === null ? 'Hoist' : `Hoist’s plate at ${words.show(d.reach, 'length')}`, shown: d.reach === null ? 'plate and reach not stated' : d.allowed === null ? 'says nothing so far out' : words.show(d.allowed, 'mass'), over: d.reach !== null && (d.allowed ?? 0) < d.heavy },
    ...d.legs.map((l, i) => ({ label: `${i ? 'Rear' : 'Front'} leg, ${words.show(l.off, 'angle')} off upright; level at ${words.show(l.level, 'length')}`, shown: l.pull === null ? 'cannot hold so' : `${words.show(l.pull, 'mass')}${d.four ? ', each of two straps' : ''}`, over: l.pull === null || l.off > Math.PI / 4 })),
    { label: 'Look for legs rated', shown: `${words.show(d.leg_rating, 'mass')} each` },
    { label: 'Look for a stand rated', shown: words.show(d.stand_rating, 'mass') },
  ]
})
</script>

<template>
  <section class="card pad" data-lifting>
    <h2 class="label">On the hook, side on</h2>
    <CautionNote v-for="c in cautions" :key="c.id" :text="c.text" />
    <template v-if="data && parts">
      <p><strong>{{ tilts }}</strong> <button v-if="Math.abs(data.shift) > 0.01" class="textlink" type="button" @click="send(line('weights.ring_ahead', `${(1000 * (data.ring[0] + data.shift)).toFixed(0)} mm`))">Put the ring there</button></p>
      <svg class="hook" :viewBox="view" role="img" :aria-label="tilts">
        <path v-for="(d, i) in parts.ghost" :key="`g${i}`" :d="d" class="ghost" />
        <path v-for="(d, i) in parts.hangs" :key="`h${i}`" :d="d" class="unit" />
        <line :x1="parts.crank[0]?.[0]" :y1="parts.crank[0]?.[1]" :x2="parts.crank[1]?.[0]" :y2="parts.crank[1]?.[1]" class="crank" />
        <line v-for="(e, i) in parts.eyes" :key="i" :x1="parts.ring[0]" :y1="parts.ring[1]" :x2="e[0]" :y2="e[1]" class="leg" :class="{ over: (data.legs[i]?.off ?? 0) > Math.PI / 4 }" />
        <line :x1="parts.ring[0]" :x2="parts.ring[0]" :y1="parts.ring[1]" :y2="parts.ring[1] - 70" class="leg" />
        <line :x1="parts.ring[0]" :x2="parts.ring[0]" :y1="parts.ring[1]" :y2="parts.balance[1]" class="plumb" />
        <circle :cx="parts.ring[0]" :cy="parts.ring[1]" r="14" class="ring" />
        <circle :cx="parts.balance[0]" :cy="parts.balance[1]" r="16" class="balance"><title>Balance point</title></circle>
      </svg>
      <NamedValues :rows="rows" />
      <p class="mute">A leg pulls half the load times {{ data.pulls.map(([a, k]) => `${k.toFixed(2)} at ${a.toFixed(0)}°`).join(', ') }} off upright. Of four straps of fixed length any two may carry all. The engine is drawn as a box of no size; dashed as it stands level.</p>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    </template>
    <Unseen v-else :waiting="waiting">Not enough is known of the engine to lift it.</Unseen>
  </section>
</template>

<style scoped>
.hook {
  display: block;
  width: 100%;
  max-height: 320px;
  background: var(--glass);
  border-radius: 3px;
  margin: 8px 0;
}
.unit {
  fill: var(--weights);
  fill-opacity: 0.2;
  stroke: var(--weights);
  stroke-width: 5;
}
.ghost {
  fill: none;
  stroke: var(--mute);
  stroke-width: 3;
  stroke-dasharray: 12 9;
}
.crank,
.plumb {
  stroke: var(--mute);
  stroke-width: 3;
  stroke-dasharray: 26 8 6 8;
}
.leg {
  stroke: var(--ink);
  stroke-width: 6;
}
.leg.over {
  stroke: var(--over);
}
.ring,
.balance {
  fill: var(--glass);
  stroke: var(--ink);
  stroke-width: 5;
}
</style>
