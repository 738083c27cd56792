<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { api, type ComparedPart, type Edit, type SideBySide } from '../api/client'
import { line, useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import { bestOf } from './best'
import { percent } from '../ui/format'
import { inPlace, onYard } from './parts'
import { useLatest } from '../api/useLatest'
import { useSending } from './useSending'
import Well from '../ui/Well.vue'
import Pick from '../ui/Pick.vue'
import { optionsOf } from '../ui/options'

/** What fills a place beside the parts of the yard that could: each run on the build, one tap to fit it. */
const props = defineProps<{ system: string }>()
const build = useBuild()
const words = useVocabulary()
const found = shallowRef<SideBySide | null>(null)
const { send, trouble } = useSending()
const open = ref(false)
const places = computed(() => words.words?.compared[props.system] ?? [])
const place = ref(places.value[0] ?? '')
const role = computed(() => words.words?.places[place.value])
const yard = computed(() => onYard(build.document, role.value?.kind ?? ''))
const fitted = computed(() => inPlace(build.document, place.value)[0])
const columns = computed(() => found.value?.columns ?? [])
const path = (column: ComparedPart, rest: string) => `parts.${column.id}.${rest}`
const thing = computed(() => (role.value?.label ?? '').toLowerCase())

const { ask } = useLatest(async (signal) => {
  found.value = yard.value.length ? await api.compare(place.value, build.document, signal) : null
}, 0, () => (trouble.value = 'The parts could not be worked.'))
watch([() => build.build?.revision, place], () => void ask(), { immediate: true })

const set = (column: ComparedPart, rest: string, text: string | null) => send(line(path(column, rest), text, text === null ? {} : { evidence: 'sheet' }))
const act = (path: string, action: Edit['action'], text: string | null = null) => send(line(path, text, { action }))
function add(): void {
  open.value = true
  void act(`parts.${role.value?.kind}`, 'add', role.value?.kind ?? null)
}
function copy(id: string): void {
  open.value = true
  void act(`parts.${id}`, 'copy')
}
const typed = (event: Event) => (event.target as HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement).value.trim() || null
const named = (column: ComparedPart) => column.name || (column.fitted ? 'as fitted' : column.id.replaceAll('_', ' '))
</script>

<template>
  <section class="card" data-compare>
    <div class="head">
      <h2 class="label">Side by side</h2>
      <Pick v-if="places.length > 1" v-model="place" label="Which part" :options="places.map((id) => ({ value: id, label: words.words?.places[id]?.label ?? id }))" />
      <span class="acts">
        <button v-if="fitted" class="button" type="button" @click="copy(fitted.id)">Copy what is fitted</button>
        <button class="button" type="button" @click="add">Put one on the yard</button>
      </span>
    </div>
    <p v-if="!yard.length" class="mute none">Which {{ thing }} should go in? Put each you have or have seen on the yard with what is known of it: all are run on this build beside the one that is fitted.</p>
    <div v-else-if="found" class="scroll" tabindex="0" role="region" :aria-label="found.title">
      <table>
        <thead>
          <tr>
            <td />
            <th v-for="column in columns" :key="column.id" scope="col">
              <input v-if="!column.fitted" class="input" type="text" maxlength="60" :value="column.name" :placeholder="named(column)" :aria-label="`Name of ${named(column)}`" @change="set(column, 'name', typed($event))" />
              <template v-else>As fitted</template>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Fullest limit</th>
            <td v-for="column in columns" :key="column.id" :data-fits="column.fitted ? 'fitted' : column.id">
              <Well :fill="column.fill" :system="system" :label="named(column)" />
              <span class="figure" :class="{ over: (column.fill ?? 0) > 1 }"> {{ percent(column.fill) }}</span>
            </td>
          </tr>
          <tr>
            <th scope="row">Decided by</th>
            <td v-for="column in columns" :key="column.id" class="mute">{{ column.duty.toLowerCase() }}</td>
          </tr>
          <tr v-for="figure in found.figures" :key="figure.figure">
            <th scope="row">{{ figure.label }}</th>
            <td v-for="(column, i) in columns" :key="column.id" class="figure" :class="{ best: bestOf(columns, figure).includes(i) }">{{ words.show(column.figures[figure.figure], figure.kind) }}</td>
          </tr>
          <tr v-for="(_, label) in columns[0]?.beside" :key="label">
            <th scope="row">{{ label }}</th>
            <td v-for="column in columns" :key="column.id" class="figure">{{ column.beside[label] ?? '—' }}</td>
          </tr>
          <tr v-if="columns.some((c) => c.breaks.length || c.why)">
            <th scope="row">Mind</th>
            <td v-for="column in columns" :key="column.id" class="over">{{ column.why || (column.breaks.length ? `breaks ${column.breaks.join(', ').toLowerCase()}` : '') }}</td>
          </tr>
          <tr>
            <th scope="row">Price</th>
            <td v-for="column in columns" :key="column.id">
              <input v-if="column.id" class="input" type="text" maxlength="20" :value="column.price ?? ''" :aria-label="`Price of ${named(column)}`" @change="set(column, 'keep.price', typed($event))" />
            </td>
          </tr>
          <tr>
            <th scope="row">From</th>
            <td v-for="column in columns" :key="column.id">
              <input v-if="column.id" class="input" type="text" maxlength="80" :value="column.source" :aria-label="`Where ${named(column)} is from`" @change="set(column, 'keep.from', typed($event))" />
            </td>
          </tr>
          <template v-if="open">
            <tr v-for="field in found.fields" :key="field.name">
              <th scope="row">{{ field.label }}</th>
              <td v-for="column in columns" :key="column.id">
                <span v-if="column.fitted" class="figure">{{ column.facts[field.name]?.shown ?? build.build?.facts[`${place}.${field.name}`]?.shown ?? '—' }}</span>
                <Pick v-else-if="field.kind === 'choice'" :label="`${field.label}, ${named(column)}`" :options="[{ value: '', label: 'not said' }, ...optionsOf(field.choices)]" :model-value="column.facts[field.name]?.text ?? ''" @update:model-value="(v) => set(column, field.name, v ? String(v) : null)" />
                <textarea v-else-if="field.kind === 'table'" class="input" rows="3" :value="column.facts[field.name]?.text ?? ''" :aria-label="`${field.label}, ${named(column)}`" @change="set(column, field.name, typed($event))" />
                <input v-else class="input" type="text" maxlength="60" :value="column.facts[field.name]?.text ?? ''" :aria-label="`${field.label}, ${named(column)}`" @change="set(column, field.name, typed($event))" />
              </td>
            </tr>
          </template>
          <tr>
            <td><button class="textlink" type="button" @click="open = !open">{{ open ? 'fold the sizes' : 'sizes' }}</button></td>
            <td v-for="column in columns" :key="column.id" class="acts">
              <template v-if="!column.fitted">
                <button class="button" type="button" @click="act(place, 'fit', column.id)">Fit it</button>
                <button class="textlink" type="button" :aria-label="`let it go: ${named(column)}`" @click="act(`parts.${column.id}`, 'remove')">let it go</button>
              </template>
              <button v-else-if="column.id" class="textlink" type="button" @click="act(place, 'take')">take it out</button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="found?.more && yard.length" class="mute none">{{ found.more }} more on the yard.</p>
    <p v-if="trouble" class="over none" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
  padding: 8px 14px;
}
.head .acts {
  margin-left: auto;
}
.head .button {
  padding: 3px 10px;
}
.none {
  padding: 8px 14px;
  border-top: 1px solid var(--line);
  font-size: 14px;
}
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  border-top: 1px solid var(--line);
  padding: 5px 8px;
  text-align: left;
  vertical-align: middle;
}
th {
  font-weight: 500;
  white-space: nowrap;
}
tbody th {
  padding-left: 14px;
  font-size: 14px;
}
thead th {
  font: 600 14px/1.3 var(--labels);
  min-width: 88px;
}
td .input,
th .input {
  min-width: 88px;
  padding: 3px 6px;
}
.well {
  display: block;
  margin-bottom: 3px;
}
td.over {
  font-size: 13.5px;
}
.best {
  color: var(--holds);
}
.acts {
  white-space: nowrap;
}
td .button {
  padding: 3px 10px;
  margin-right: 8px;
}
.head .button + .button {
  margin-left: 8px;
}
</style>
