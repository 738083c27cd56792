<script setup lang="ts">
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import { Problem, type Schemas } from '../../../api/client'
import { files } from '../../../api/files'
import Slide from '../../../ui/Slide.vue'
import { inPlace } from '../../../station/parts'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { optionsOf } from '../../../ui/options'
import Pick from '../../../ui/Pick.vue'
import { saveBytes } from '../../../ui/save'

/** A thing's shape from a file: a scan as a mesh, an outline carried from one place to another; and the whole scene out. */
const build = useBuild()
const words = useVocabulary()
const UNITS = { mm: 'mm', cm: 'cm', m: 'm', in: 'in' }
const PLANES = { side: 'seen from the side', front: 'seen from the front', plan: 'seen from above' }
const MOVES = { unit: 'on the engine', body: 'on the body' }
const OUT = { stl: 'STL', obj: 'OBJ', dxf: 'DXF', csv: 'CSV' } as const
const unit = ref<keyof typeof UNITS>('mm')
const plane = ref<keyof typeof PLANES>('side')
const moves = ref<keyof typeof MOVES>('body')
const half = ref(50)
const file = shallowRef<File | null>(null)
const found = shallowRef<Schemas['ShapeOut'] | null>(null)
const wrong = ref('')
const working = ref(false)
const input = useTemplateRef<HTMLInputElement>('input')
const kind = computed(() => file.value?.name.split('.').pop()?.toLowerCase() ?? '')
const { send, trouble } = useSending()

async function take(): Promise<void> {
  found.value = null
  wrong.value = ''
  if (!file.value) return
  if (!['stl', 'obj', 'dxf', 'csv'].includes(kind.value)) {
    wrong.value = `${file.value.name}: STL and OBJ meshes, DXF outlines and CSV points are taken.`
    return
  }
  working.value = true
  try {
    found.value = await files.shape(file.value, { kind: kind.value as 'stl', unit: unit.value, plane: plane.value, start: -half.value / 1000, end: half.value / 1000 })
  } catch (error) {
    wrong.value = error instanceof Problem ? (error.problems[0]?.message ?? error.message) : 'The file did not come through. Try again.'
  } finally {
    working.value = false
  }
}
function chosen(event: Event): void {
  file.value = (event.target as HTMLInputElement).files?.[0] ?? null
  void take()
}
async function add(): Promise<void> {
  const shape = found.value
  if (!shape || !(await send(line('fit.solids', null, { action: 'add' })))) return
  const id = inPlace(build.document, 'fit.solids').at(-1)?.id
  if (!id) return
  const facts: Record<string, string> = { what: 'metal', moves: moves.value, shape: 'points', points: shape.points }
  const ok = await send(...Object.entries(facts).map(([name, text]) => line(`fit.solids.${id}.${name}`, text, name === 'points' ? { evidence: 'taped' } : {})))
  if (!ok) return
  found.value = file.value = null
  if (input.value) input.value.value = ''
}
async function out(as: keyof typeof OUT): Promise<void> {
  try {
    saveBytes(await files.scene(as, build.document), `${build.build?.name ?? 'build'} fit`, `.${as}`)
    wrong.value = ''
  } catch (error) {
    wrong.value = error instanceof Problem ? (error.problems[0]?.message ?? error.message) : 'It did not come through. Try again.'
  }
}
const size = computed(() => found.value?.size_m.map((v) => words.show(v, 'length')).join(' × ') ?? '')
</script>

<template>
  <section class="card pad" data-file>
    <h2 class="label">From a file, and out</h2>
    <p class="mute">A scan as STL or OBJ, an outline as DXF, corners as CSV (piece, ahead, left, over). Ahead, left and over as x, y and z: from the bell’s face and the crank’s line on the engine, from the axle line, the middle and the floor on the body.</p>
    <div class="row">
      <input ref="input" class="input file" type="file" accept=".stl,.obj,.dxf,.csv" aria-label="Mesh or outline" @change="chosen" />
      <Pick v-model="unit" label="Drawn in" :options="optionsOf(UNITS)" @again="take" @update:model-value="take" />
      <Pick v-model="moves" label="Where it is" :options="optionsOf(MOVES)" />
    </div>
    <div v-if="kind === 'dxf'" class="row">
      <Pick v-model="plane" label="Plane of the outline" :options="optionsOf(PLANES)" @update:model-value="take" />
      <Slide v-model="half" label="Half its thickness" :min="2" :max="600" :step="1" :text="`${half} mm either side`" @update:model-value="take" />
    </div>
    <p v-if="working" class="mute" role="status">Reading {{ file?.name }}…</p>
    <p v-if="found">{{ found.pieces }} {{ found.pieces === 1 ? 'piece' : 'pieces' }} of {{ found.corners }} corners{{ found.faces ? ` from ${found.faces} faces` : '' }}, {{ size }}{{ found.fat ? `; ${Math.round(100 * (found.fat - 1))} % larger than the mesh, never smaller` : '' }}.
      <button class="button main" type="button" @click="add">Put it in</button>
    </p>
    <p v-if="wrong || trouble" class="over" role="alert">{{ wrong || trouble }}</p>
    <p class="row out">Take the whole out: <button v-for="(label, as) in OUT" :key="as" class="textlink" type="button" @click="out(as)">{{ label }}</button></p>
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
  flex: 1 1 220px;
  width: auto;
}
.out {
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
</style>
