<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { api, type HeatMap, type MapKind } from '../../../api/client'
import { useLatest } from '../../../api/useLatest'
import { withFact } from '../../../station/parts'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { ticks } from '../../bench/logic'
import { DRAGGED, linePath, overPath, place, whole } from '../map'
import Pick from '../../../ui/Pick.vue'
import Slide from '../../../ui/Slide.vue'
import { optionsOf } from '../../../ui/options'

/** Where one duty's cooling holds, over two of its conditions: thousands of points of the whole model. */
const KINDS: Record<MapKind, string> = { ambient_speed: 'air outside by road speed', ambient_grade: 'air outside by grade', speed_power: 'wind by engine power' }
const FRAME = { width: 560, height: 260 }
const build = useBuild()
const words = useVocabulary()
const kind = ref<MapKind>('ambient_speed')
const duty = ref('')
const map = shallowRef<HeatMap | null>(null)
const trouble = ref('')
const duties = computed(() => (build.report?.duties ?? []).filter((d) => kind.value === 'speed_power' || d.kind === 'road'))
watch(duties, (all) => {
  const governing = build.report?.systems.cooling?.governing?.duty
  if (!all.some((d) => d.id === duty.value)) duty.value = all.find((d) => d.id === governing)?.id ?? all[0]?.id ?? ''
}, { immediate: true })

/** A fact dragged by a factor, to see the line move before anything is bought. */
const fact = ref('core.depth')
const factor = ref(100)
const facts = computed(() => Object.entries(DRAGGED).flatMap(([name, unit]) => {
  const stated = build.build?.facts[`cooling.${name}`]
  const label = words.field(`cooling.${name}`)?.label.trim() ?? name
  return stated?.si ? [{ name, unit, si: stated.si, label, kind: words.field(`cooling.${name}`)?.kind ?? '' }] : []
}))
const held = computed(() => facts.value.find((f) => f.name === fact.value) ?? facts.value[0])
watch([() => build.build?.revision, fact], () => (factor.value = 100))
const sheet = computed(() => (held.value && factor.value !== 100 ? withFact(build.document, `cooling.${held.value.name}`, `${Number((held.value.si * (factor.value / 100)).toPrecision(6))} ${held.value.unit}`) : build.document))

const { ask } = useLatest(async (signal) => {
  map.value = duty.value ? await api.heatMap(sheet.value, duty.value, kind.value, signal) : null
  trouble.value = ''
}, 90, (error) => (trouble.value = error instanceof Error ? error.message : 'The map could not be worked.'))
watch([() => build.build?.revision, kind, duty, factor], () => void ask(), { immediate: true })

const drawn = computed(() => (whole(map.value) ? map.value : null))
const marks = (axis: 'x' | 'y') => {
  const found = drawn.value?.[axis]
  if (!found || !drawn.value) return []
  const [low, high] = [words.value(found.values[0] ?? 0, found.kind), words.value(found.values[found.values.length - 1] ?? 1, found.kind)]
  const step = ticks(high - low, 7)[1] ?? 1
  const all = Array.from({ length: 12 }, (_, i) => Math.ceil(low / step) * step + i * step).filter((v) => v <= high)
  return all.map((text) => {
    const si = words.toSi(text, found.kind)
    const at = axis === 'x' ? place(drawn.value as never, FRAME, si, 0)[0] : place(drawn.value as never, FRAME, 0, si)[1]
    return { text: Math.round(100 * text) / 100, at }
  })
}
const asked = computed(() => {
  const own = build.report?.duties.find((d) => d.id === duty.value)
  if (!own || !drawn.value) return null
  const facts = build.build?.facts
  const x = kind.value === 'ambient_speed' ? facts?.[`duties.${duty.value}.speed`]?.si : kind.value === 'ambient_grade' ? (facts?.[`duties.${duty.value}.grade`]?.si ?? 0) : build.report?.systems.engine?.figures[duty.value]?.engine_power_w
  const y = kind.value === 'speed_power' ? own.air_speed_m_s : own.ambient_k
  return x === null || x === undefined ? null : place(drawn.value, FRAME, x, y)
})
const weak = computed(() => (drawn.value?.weak_from ? place(drawn.value, FRAME, drawn.value.weak_from, 0)[0] : null))
</script>

<template>
  <section class="card pad" data-map>
    <div class="cardhead">
      <h2 class="label">Where it holds</h2>
      <span>
        <Pick v-model="kind" label="Which map" :options="optionsOf(KINDS)" />
        <Pick v-model="duty" label="Duty mapped" :options="duties.map((d) => ({ value: d.id, label: d.name }))" />
      </span>
    </div>
    <div v-if="drawn" class="drawing" tabindex="0"><svg viewBox="-56 -30 640 342" role="img" :aria-label="`Where ${duties.find((d) => d.id === duty)?.name} holds: ${KINDS[kind]}`">
      <path :d="overPath(drawn, FRAME)" class="over" />
      <rect v-if="weak !== null" :x="weak" y="0" :width="FRAME.width - weak" :height="FRAME.height" class="weak" />
      <text v-if="weak !== null" :x="Math.min(weak + 6, FRAME.width - 110)" y="18">engine too weak</text>
      <g v-for="mark in marks('x')" :key="`x${mark.text}`"><line :x1="mark.at" :x2="mark.at" y1="0" :y2="FRAME.height" class="grid" /><text :x="mark.at" :y="FRAME.height + 19" text-anchor="middle">{{ mark.text }}</text></g>
      <g v-for="mark in marks('y')" :key="`y${mark.text}`"><line x1="0" :x2="FRAME.width" :y1="mark.at" :y2="mark.at" class="grid" /><text x="-7" :y="mark.at + 4" text-anchor="end">{{ mark.text }}</text></g>
      <path v-for="item in drawn.lines ?? []" :key="item.fill" :d="linePath(drawn, FRAME, item.y)" :class="item.fill === 1 ? 'limit' : 'near'" />
      <circle v-if="asked" :cx="asked[0]" :cy="asked[1]" r="6" class="ring" />
      <text v-if="asked" :x="Math.min(asked[0] + 11, FRAME.width - 50)" :y="asked[1] + 4" class="strong">asked</text>
      <text :x="FRAME.width" :y="FRAME.height + 42" text-anchor="end">{{ drawn.x?.label }}, {{ words.unit(drawn.x?.kind ?? '') }}</text>
      <text x="-50" y="-14">{{ drawn.y?.label }}, {{ words.unit(drawn.y?.kind ?? '') }}</text>
    </svg></div>
    <Slide v-if="drawn && held" v-model="factor" :label="held.label" :min="50" :max="200" :step="2" :text="words.show((held.si * factor) / 100, held.kind)">
      <template #label><Pick v-model="fact" label="Fact dragged" :options="facts.map((f) => ({ value: f.name, label: f.label }))" /></template>
      <button v-if="factor !== 100" class="textlink" type="button" @click="factor = 100">as stated</button>
    </Slide>
    <p v-if="drawn" class="mute">The thick line is the limit; the thin ones 80 and 125 % full. Shaded: over it. All else is as the duty states it.</p>
    <p v-else-if="trouble" class="over" role="alert">{{ trouble }}</p>
    <p v-else class="mute">{{ duty ? 'Give the core and the fan to see where it holds.' : 'That map is drawn of a road duty.' }}</p>
  </section>
</template>

<style scoped>
.drawing {
  --lettering: 15.5px;
  --least: 500px;
}
.over {
  fill: var(--over-soft);
}
.weak {
  fill: var(--glass);
  opacity: 0.85;
}
.grid {
  stroke: var(--line);
}
.limit {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
.near {
  fill: none;
  stroke: var(--cooling);
  stroke-width: 1.3;
  stroke-dasharray: 5 4;
}
.ring {
  fill: var(--card);
  stroke: var(--brass-line);
  stroke-width: 3;
}
</style>
