<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { api, type CandidateColumn, type Candidates } from '../api/client'
import { line, useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import { bestOf, nextId } from './candidates'
import { percent } from './format'
import { useLatest } from './useLatest'
import Well from './Well.vue'

/** Parts one might fit beside the one that is: each run on the build, one tap to fit it. */
const props = defineProps<{ system: string }>()
const build = useBuild()
const words = useVocabulary()
const found = shallowRef<Candidates | null>(null)
const trouble = ref('')
const open = ref(false)
const listed = computed(() => ((build.document.candidates as Record<string, { id: string }[]> | undefined)?.[props.system] ?? []).map((c) => c.id))
const columns = computed(() => found.value?.columns ?? [])
const most = computed(() => listed.value.length >= 5)
const path = (column: CandidateColumn, rest = '') => `candidates.${props.system}.${column.id}${rest}`

const { ask } = useLatest(async (signal) => {
  found.value = listed.value.length ? await api.candidates(props.system, build.document, signal) : null
}, 0, () => (trouble.value = 'The candidates could not be worked.'))
watch(() => build.build?.revision, () => void ask(), { immediate: true })

async function send(path: string, text: string | null): Promise<void> {
  const problem = await build.enqueue([line(path, text, text === null ? {} : { evidence: 'sheet' })])
  trouble.value = problem ? `${problem.message}${problem.problems[0]?.allowed ? ` Understood: ${problem.problems[0].allowed}.` : ''}` : ''
}
function add(): void {
  const id = nextId(listed.value)
  open.value = true
  void send(`candidates.${props.system}.${id}`, `Candidate ${id.toUpperCase()}`)
}
async function fit(column: CandidateColumn): Promise<void> {
  const problem = await build.enqueue(column.edits.map((e) => line(e.path, e.text, { evidence: e.evidence })))
  trouble.value = problem?.message ?? ''
}
const typed = (event: Event) => (event.target as HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement).value.trim() || null
</script>

<template>
  <section class="card" data-candidates>
    <div class="head">
      <h2 class="label">{{ words.words?.compared[system] }}</h2>
      <button class="button" type="button" :disabled="most" @click="add">Add a candidate</button>
    </div>
    <p v-if="!listed.length" class="mute none">Which of those in the yard should go in? Add each with what is known of it; what is not stated stays as fitted.</p>
    <div v-else-if="found" class="scroll" tabindex="0" role="region" :aria-label="found.title">
      <table>
        <thead>
          <tr>
            <td />
            <th v-for="column in columns" :key="column.id" scope="col">
              <template v-if="column.id">
                <input class="input" type="text" maxlength="60" :value="column.name" :aria-label="`Name of candidate ${column.id.toUpperCase()}`" @change="send(path(column, '.name'), typed($event))" />
              </template>
              <template v-else>As fitted</template>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Fullest limit</th>
            <td v-for="column in columns" :key="column.id" :data-candidate="column.id || 'fitted'">
              <Well :fill="column.fill" :system="system" :label="column.name || 'as fitted'" />
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
              <input v-if="column.id" class="input" type="text" maxlength="20" :value="column.price ?? ''" :aria-label="`Price of ${column.name}`" @change="send(path(column, '.price'), typed($event))" />
            </td>
          </tr>
          <template v-if="open">
            <tr v-for="field in found.fields" :key="field.name">
              <th scope="row">{{ field.label }}</th>
              <td v-for="column in columns" :key="column.id">
                <span v-if="!column.id" class="figure">{{ column.facts[field.name]?.shown ?? build.build?.facts[`${system}.${field.name}`]?.shown ?? '—' }}</span>
                <select v-else-if="field.kind === 'choice'" class="cardpick" :value="column.facts[field.name]?.text ?? ''" :aria-label="`${field.label}, ${column.name}`" @change="send(path(column, `.${field.name}`), typed($event))">
                  <option value="">as fitted</option>
                  <option v-for="(label, value) in field.choices" :key="value" :value="value">{{ label }}</option>
                </select>
                <textarea v-else-if="field.kind === 'table'" class="input" rows="3" placeholder="as fitted" :value="column.facts[field.name]?.text ?? ''" :aria-label="`${field.label}, ${column.name}`" @change="send(path(column, `.${field.name}`), typed($event))" />
                <input v-else class="input" type="text" maxlength="60" placeholder="as fitted" :value="column.facts[field.name]?.text ?? ''" :aria-label="`${field.label}, ${column.name}`" @change="send(path(column, `.${field.name}`), typed($event))" />
              </td>
            </tr>
          </template>
          <tr>
            <td><button class="textlink" type="button" @click="open = !open">{{ open ? 'fold the sizes' : 'sizes' }}</button></td>
            <td v-for="column in columns" :key="column.id" class="acts">
              <template v-if="column.id">
                <button class="button" type="button" :disabled="!column.edits.length" @click="fit(column)">Fit it</button>
                <button class="textlink" type="button" :aria-label="`Take out ${column.name}`" @click="send(path(column), null)">take out</button>
              </template>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="trouble" class="over none" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 8px 14px;
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
td .cardpick {
  max-width: 116px;
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
.acts .button {
  padding: 3px 10px;
  margin-right: 8px;
}
</style>
