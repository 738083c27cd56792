<script setup lang="ts">
import { computed } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import NamedValues from '../../../ui/NamedValues.vue'
import Unseen from '../../../ui/Unseen.vue'
import { shimmed, type CouplingView } from '../logic'

/** Dial readings into shims and moves, with a drawing that says what is positive; beds under the feet. */
const words = useVocabulary()
const build = useBuild()
const { data, waiting } = useInstrument('boat/coupling', computed(() => ({})))
type Feet = CouplingView['feet'][number]
type Bed = CouplingView['beds'][number]
const mm = (v: number) => `${(1000 * v).toFixed(2)} mm`
const size = (v: number | null) => (v === null ? '–' : words.show(v, 'size'))
const FEET: Column<Feet>[] = [
  { key: 'name', title: 'Feet', head: true, show: (f) => f.name },
  { key: 'ahead', title: 'ahead of the face', right: true, mute: true, show: (f) => size(f.ahead) },
  { key: 'up', title: 'shims', right: true, show: (f) => shimmed(f.up, 'in', 'out', mm) },
  { key: 'left', title: 'sideways', right: true, show: (f) => (f.left === null ? 'read left and right' : shimmed(f.left, 'to the left', 'to the right', mm)) },
]
const BEDS: Column<Bed>[] = [
  { key: 'name', title: 'Bed under', head: true, show: (b) => b.name },
  { key: 'ahead', title: 'ahead of the face', right: true, mute: true, show: (b) => size(b.ahead) },
  { key: 'under', title: 'under the shaft line', right: true, show: (b) => size(b.under) },
  { key: 'over', title: 'over the waterline', right: true, show: (b) => (b.over === null ? 'state the coupling’s height' : words.show(b.over, 'height')) },
  { key: 'reach', title: 'bracket reaches', right: true, show: (b) => (b.reach === null ? 'state feet and beds apart' : Math.abs(b.reach) < 0.01 ? 'none: over the bed' : `${size(Math.abs(b.reach))} ${b.reach > 0 ? 'outward' : 'inward'}`) },
]
/** The school it is aligned by. */
const by = computed(() => build.build?.facts['boat.aligned_by']?.shown ?? 'the shaft centred in its log first')
const lies = computed(() => {
  const d = data.value
  if (d?.offset == null || d.angle === null || d.across === null) return []
  const row = (label: string, offset: number, angle: number, sides: [string, string], opens: [string, string]) => [
    { label: `${label}: the engine's half lies`, shown: `${mm(Math.abs(offset))} ${sides[offset > 0 ? 0 : 1]}`, over: Math.abs(offset) > d.rim_most },
    { label: `${label}: the faces open`, shown: `${mm(Math.abs(angle) * (d.across ?? 0))} ${opens[angle > 0 ? 0 : 1]}`, over: Math.abs(angle) * (d.across ?? 0) > d.face_most },
  ]
  return [
    ...row('Upright', d.offset, d.angle, ['high', 'low'], ['at the bottom', 'at the top']),
    ...(d.plan_offset === null || d.plan_angle === null ? [] : row('In plan', d.plan_offset, d.plan_angle, ['to the left', 'to the right'], ['at the right', 'at the left'])),
  ]
})
/** Drawn some hundred times too large: offset in px, tilt in degrees. */
const skew = computed(() => {
  const clip = (v: number, most: number) => Math.max(-most, Math.min(most, v))
  return { up: clip((data.value?.offset ?? 0.0003) * 60_000, 26), turn: clip((data.value?.angle ?? 0.002) * 3000, 9) }
})
</script>

<template>
  <section class="card pad" data-coupling>
    <h2 class="label">The coupling, from the dial</h2>
    <template v-if="data">
      <div class="drawing" tabindex="0"><svg viewBox="0 0 560 190" role="img" aria-label="Which way readings count: the dial on the shaft's half, feeling the engine's; engine on the right, high and opening at the bottom are positive">
        <line x1="10" x2="250" y1="100" y2="100" class="shaft" />
        <rect x="232" y="52" width="18" height="96" class="half" />
        <g :transform="`translate(0 ${-skew.up}) rotate(${-skew.turn} 262 100)`">
          <rect x="262" y="52" width="18" height="96" class="half engine" />
          <rect x="280" y="62" width="200" height="70" class="block" />
          <line x1="280" x2="500" y1="100" y2="100" class="axis" />
          <path d="M300 132v22h22v-22M440 132v22h22v-22" class="feet" />
        </g>
        <path d="M240 52V28h52v14" class="dial" /><circle cx="292" cy="36" r="7" class="dial" />
        <text x="20" y="90">shaft</text><text x="540" y="100" text-anchor="end">ahead →</text>
        <text x="306" y="40">rim: out is more</text>
        <text x="20" y="172">face: nearer is more, plunger in · drawn far too large{{ data.offset === null ? ', as an example' : '' }}</text>
      </svg></div>
      <template v-if="lies.length">
        <NamedValues :rows="lies" />
        <DataTable :id="(f) => f.name" label="What each pair of feet is moved by" :columns="FEET" :rows="data.feet" />
        <p v-if="data.left_over !== null" class="mute">Put in, face and rim would read {{ mm(data.left_over) }} and less upright. Soft feet first: under 0.05 mm of lift as each bolt is slackened. Afloat, a day after launching, rig and tanks as used; aligned by {{ by }}.</p>
        <p v-else class="mute">Give how far front and back feet lie ahead of the coupling's face for the shims.</p>
      </template>
      <p v-else class="mute">{{ data.missing.length ? `Still to be read: ${data.missing.map((p) => words.label(p).toLowerCase()).join(', ')}.` : 'Read face and rim at top and bottom, and the diameter the face is felt at. The shaft is centred in its log first.' }}</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
  <section v-if="data" class="card pad" data-beds>
    <h2 class="label">Beds</h2>
    <DataTable v-if="data.beds.length" :id="(b) => b.name" label="Beds under the feet" :columns="BEDS" :rows="data.beds" />
    <p v-else class="mute">Give where front and back feet lie and how far their soles are under the shaft's line.</p>
    <p v-if="data.beds.length" class="mute">A bed's top, mounts on it loaded. What a bracket reaches is judged under Mounts.</p>
  </section>
</template>

<style scoped>
.drawing {
  --lettering: 15px;
}
.shaft,
.axis {
  stroke: var(--ink);
  stroke-width: 3;
}
.axis {
  stroke-width: 1.2;
  stroke-dasharray: 8 3 2 3;
}
.half {
  fill: color-mix(in oklab, var(--boat) 45%, var(--card));
  stroke: var(--ink);
}
.half.engine {
  fill: color-mix(in oklab, var(--engine) 45%, var(--card));
}
.block {
  fill: color-mix(in oklab, var(--line) 60%, var(--card));
  stroke: var(--mute);
}
.feet,
.dial {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
