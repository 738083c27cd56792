<script setup lang="ts">
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import { Problem } from '../../../api/client'
import { files } from '../../../api/files'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { optionsOf } from '../../../ui/options'
import Pick from '../../../ui/Pick.vue'
import { saveBytes } from '../../../ui/save'
import { boxOf, moved, path, presets, rowsOf, split, type Point } from '../logic'

/** The pan's side view: begun from a usual one, its corners dragged or moved by keys, from a file and to one. */
const props = defineProps<{ corners: readonly (readonly number[])[] }>()
const build = useBuild()
const words = useVocabulary()
const { send, trouble } = useSending()
const UNITS = { mm: 'mm', cm: 'cm', m: 'm', in: 'in' }
const ENDS = { left: 'flywheel on the left', right: 'flywheel on the right' }
const unit = ref<keyof typeof UNITS>('mm')
const end = ref<keyof typeof ENDS>('left')
const file = shallowRef<File | null>(null)
const wrong = ref('')
const svg = useTemplateRef<SVGSVGElement>('svg')
const held = ref<{ index: number; to: Point } | null>(null)
const shown = computed(() => (held.value ? moved(props.corners, held.value.index, held.value.to) : props.corners.map(([x = 0, z = 0]): Point => [x, z])))
const flat = computed(() => shown.value.map(([x, z]): Point => [1000 * x, 1000 * z]))
const box = computed(() => boxOf([props.corners.map(([x = 0, z = 0]): Point => [1000 * x, 1000 * z])], 45))
const unitOf = computed(() => box.value.width / 420)
const mm = (v: number) => `${(1000 * v).toFixed(0)} mm`
const own = computed(() => ({
  length: Math.max(...props.corners.map(([x = 0]) => x), 0) || 0.5,
  depth: Math.max(...props.corners.map(([, z = 0]) => z), 0) || 0.12,
}))
const usual = computed(() => presets(own.value.length, own.value.depth))

async function begin(id: string): Promise<void> {
  const facts = usual.value[id]?.facts ?? {}
  await send(...Object.entries(facts).map(([name, value]) => line(`oil.pan.${name}`, typeof value === 'number' ? mm(value) : value, typeof value === 'number' ? { evidence: 'guess' } : {})))
}
const put = (corners: readonly (readonly number[])[]) => send(line('oil.pan.shape', 'outline'), line('oil.pan.outline', rowsOf(corners), { evidence: 'taped' }))

function at(event: PointerEvent): Point {
  const space = svg.value
  const matrix = space?.getScreenCTM()?.inverse()
  if (!space || !matrix) return [0, 0]
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix)
  return [p.x / 1000, p.y / 1000]
}
function grab(index: number, event: PointerEvent): void {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  held.value = { index, to: at(event) }
}
function drag(event: PointerEvent): void {
  if (held.value) held.value = { ...held.value, to: at(event) }
}
async function drop(): Promise<void> {
  if (!held.value) return
  const corners = shown.value
  await put(corners)
  held.value = null
}
const STEPS: Record<string, Point> = { ArrowLeft: [-0.005, 0], ArrowRight: [0.005, 0], ArrowUp: [0, -0.005], ArrowDown: [0, 0.005] }
function key(index: number, event: KeyboardEvent): void {
  const step = STEPS[event.key]
  const [x = 0, z = 0] = props.corners[index] ?? []
  if (!step) return
  event.preventDefault()
  void put(moved(props.corners, index, [x + step[0], z + step[1]]))
}
async function take(): Promise<void> {
  wrong.value = ''
  const chosen = file.value
  if (!chosen) return
  const kind = chosen.name.split('.').pop()?.toLowerCase() ?? ''
  if (!['dxf', 'svg', 'csv'].includes(kind)) {
    wrong.value = `${chosen.name}: DXF, SVG and CSV are taken.`
    return
  }
  try {
    const found = await files.outline(chosen, { kind: kind as 'dxf', unit: unit.value, turned: end.value === 'right' })
    await send(line('oil.pan.shape', 'outline'), line('oil.pan.outline', found.rows, { evidence: 'taped' }))
  } catch (error) {
    wrong.value = error instanceof Problem ? (error.problems[0]?.message ?? error.message) : 'The file did not come through. Try again.'
  }
}
function chosen(event: Event): void {
  const input = event.target as HTMLInputElement
  file.value = input.files?.[0] ?? null
  void take()
  input.value = '' // so that the same file, mended, is taken again
}
async function out(kind: 'csv' | 'svg' | 'dxf'): Promise<void> {
  try {
    saveBytes(await files.outlined(kind, build.document), `${build.build?.name ?? 'build'} pan`, `.${kind}`)
    wrong.value = ''
  } catch (error) {
    wrong.value = error instanceof Problem ? (error.problems[0]?.message ?? error.message) : 'It did not come through. Try again.'
  }
}
</script>

<template>
  <section class="card pad" data-outline>
    <h2 class="label">Its outline: drag a corner</h2>
    <p class="row">Begin from a usual one: <button v-for="(p, id) in usual" :key="id" class="textlink" type="button" @click="begin(String(id))">{{ p.label }}</button></p>
    <div v-if="corners.length" class="drawing"><svg ref="svg" class="outline" :viewBox="`${box.left} ${box.top} ${box.width} ${box.height}`" role="group" aria-label="Side view of the pan, its corners to be dragged" :style="{ '--u': `${unitOf}px` }">
      <path :d="path(flat)" class="pan" />
      <circle
        v-for="(p, i) in flat" :key="i" :cx="p[0]" :cy="p[1]" :r="9 * unitOf" :class="['corner', { held: held?.index === i }]" tabindex="0" role="slider"
        :aria-label="`Corner ${i + 1}`" :aria-valuenow="Math.round(p[1])" :aria-valuetext="`${p[0].toFixed(0)} mm from the flywheel end, ${p[1].toFixed(0)} mm below the rail`"
        @pointerdown="grab(i, $event)" @pointermove="drag" @pointerup="drop" @keydown="key(i, $event)" @dblclick="put(split(corners, i))"
      />
      <text v-if="held" :x="(flat[held.index]?.[0] ?? 0) + 14 * unitOf" :y="(flat[held.index]?.[1] ?? 0) - 10 * unitOf">{{ words.show(shown[held.index]?.[0] ?? 0, 'length') }}, {{ words.show(shown[held.index]?.[1] ?? 0, 'length') }}</text>
      <text :x="box.left + box.width / 2" :y="box.top + 16 * unitOf" text-anchor="middle">flywheel end · front of the engine →</text>
    </svg></div>
    <p v-if="corners.length" class="mute">Arrow keys move a corner 5 mm; a double press puts one more behind it.</p>
    <div class="row">
      <input class="input file" type="file" accept=".dxf,.svg,.csv" aria-label="Outline from a file" @change="chosen" />
      <span v-if="file" class="mute">{{ file.name }}</span>
      <Pick v-model="unit" label="Drawn in" :options="optionsOf(UNITS)" @update:model-value="take" />
      <Pick v-model="end" label="Which end" :options="optionsOf(ENDS)" @update:model-value="take" />
    </div>
    <p v-if="wrong || trouble" class="over" role="alert">{{ wrong || trouble }}</p>
    <p v-if="corners.length" class="row">Take it out: <button v-for="kind in (['csv', 'svg', 'dxf'] as const)" :key="kind" class="textlink" type="button" @click="out(kind)">{{ kind.toUpperCase() }}</button></p>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin: 8px 0;
}
.file {
  flex: 1 1 200px;
  width: auto;
}
.outline {
  display: block;
  width: 100%;
  max-height: 300px;
  background: var(--glass);
  border-radius: 3px;
  touch-action: none;
}
.pan {
  fill: var(--oil);
  fill-opacity: 0.25;
  stroke: var(--ink);
  stroke-width: calc(2 * var(--u));
}
.corner {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: calc(2.4 * var(--u));
  cursor: grab;
}
.corner.held,
.corner:focus-visible {
  stroke: var(--brass-line);
}
text {
  font: 500 calc(14 * var(--u)) var(--labels);
  fill: var(--mute);
}
</style>
