<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, ref, watch } from 'vue'
import type { Fact, Field } from '../api/client'
import { line, useBuild } from '../stores/build'
import { newId } from '../stores/kept'
import { useVocabulary } from '../stores/vocabulary'
import { troubleOf, useReading, type Trouble } from './useReading'

/** The one field for every quantity: shows the value in the build's units, takes it as people say it. */
const props = defineProps<{ path: string; field: Field; fact: Fact | undefined }>()
const build = useBuild()
const words = useVocabulary()

const editing = ref(false)
const text = ref('')
/** What was wrong with what was to be kept, until it is typed on. */
const refused = ref<Trouble | null>(null)
const input = ref<HTMLInputElement | HTMLTextAreaElement | null>(null)
const value = ref<HTMLButtonElement | null>(null)
const counted = computed(() => props.field.kind === 'count')
/** A count is stepped. The library's own field would forget what it cannot read. */
const step = (by: number) => (text.value = String(Math.max(1, (Number.parseInt(text.value, 10) || 0) + by)))
const isTable = computed(() => props.field.kind === 'table')
const reading = useReading(text, () => (editing.value && !isTable.value ? props.field.kind : ''))
const trouble = computed(() => refused.value ?? reading.value.trouble)
const given = computed(() => props.fact !== undefined && props.fact.evidence !== 'rule')
const original = computed(() => {
  const fact = props.fact
  return fact && given.value && !isTable.value && plain(fact.text) !== plain(fact.shown) ? fact.text : ''
})
const plain = (value: string) => value.replace(/[\s\u00a0·]/g, '').replace('²', '2').replace('³', '3').toLowerCase()
let gone = false
onBeforeUnmount(() => (gone = true))

async function begin(): Promise<void> {
  text.value = given.value ? (props.fact?.text ?? '') : ''
  refused.value = null
  editing.value = true
  await nextTick()
  input.value?.focus()
  input.value?.select()
}

watch(text, () => (refused.value = null), { flush: 'sync' })

async function commit(): Promise<void> {
  if (!editing.value) return
  const value = text.value.trim()
  if (value === (given.value ? (props.fact?.text ?? '') : '')) {
    editing.value = false
    return
  }
  const of = build.build
  const problem = await build.edit(props.path, value || null)
  if (gone) {
    // Nobody sees this field any more: what was refused is shown where the build is.
    if (problem && of) build.setAside({ id: newId(), build: of.id, base: of.revision, edits: [line(props.path, value || null)] }, problem.message)
    return
  }
  // Typed on meanwhile: neither what was taken nor what was refused is what stands in the field now.
  if (text.value.trim() !== value) return
  if (problem === null) {
    editing.value = false
    refused.value = null
  } else {
    refused.value = troubleOf(problem)
  }
}

const FILE_MOST = 20_000 // characters of a table's file
/** A table read from a file stands in the editor as if it had been pasted, so that what is refused can be mended. */
async function fromFile(event: Event): Promise<void> {
  const chosen = event.target as HTMLInputElement
  const file = chosen.files?.[0]
  chosen.value = ''
  if (!file) return
  const read = file.size > FILE_MOST ? null : await file.text().catch(() => null)
  editing.value = true
  await nextTick()
  input.value?.focus()
  text.value = read ?? ''
  if (read === null) refused.value = { message: `${file.name} is too large for a table, or could not be read.`, allowed: `${FILE_MOST / 1000} kB of text at most` }
  else await commit()
}

/** Back on the fact itself, so that the next Tab or arrow goes on in the list. */
async function stay(): Promise<void> {
  await nextTick()
  if (!editing.value) value.value?.focus()
}
async function commitAndStay(): Promise<void> {
  await commit()
  await stay()
}
function cancelAndStay(): void {
  cancel()
  void stay()
}
function cancel(): void {
  editing.value = false
  refused.value = null
}

function turnEvidence(): void {
  const fact = props.fact
  if (!fact) return
  if (!given.value) {
    void begin()
    return
  }
  const next = words.stated[(words.stated.findIndex((id) => id === fact.evidence) + words.stated.length - 1) % words.stated.length]
  void build.send([line(props.path, fact.text, { evidence: next })])
}
</script>

<template>
  <span class="quantity" :class="{ editing }">
    <template v-if="editing">
      <textarea v-if="isTable" ref="input" v-model="text" class="input" rows="6" :aria-label="field.label" @keydown.esc="cancel" @blur="commit" />
      <input v-else ref="input" v-model="text" class="input" type="text" maxlength="200" autocomplete="off" spellcheck="false"
        :aria-label="field.label" :aria-invalid="trouble !== null" :data-path="path" @keydown.enter="commitAndStay" @keydown.esc.stop="cancelAndStay" @blur="commit" />
      <span v-if="counted" class="steppers">
        <button type="button" :aria-label="`${field.label}: one less`" @mousedown.prevent @click="step(-1)">−</button>
        <button type="button" :aria-label="`${field.label}: one more`" @mousedown.prevent @click="step(1)">+</button>
      </span>
      <span v-if="trouble" class="trouble over" role="alert">
        {{ trouble.message }} <template v-if="trouble.allowed">Understood: {{ trouble.allowed }}.</template>
      </span>
      <span v-else-if="reading.understood" class="understood mute">{{ reading.understood }}</span>
      <span v-else-if="fact?.note && !given" class="understood mute">Nobody stated it: {{ fact.shown }}, {{ fact.note }}.</span>
      <span v-else-if="field.help" class="understood mute">{{ field.help }}</span>
    </template>
    <template v-else>
      <button ref="value" class="value figure" :class="{ absent: !fact, listed: isTable }" type="button" :data-path="path" :title="fact?.note ? `Rule: ${fact.note}` : field.help" :aria-label="`${field.label}: ${original} ${fact?.shown ?? 'give'}`" @click="begin">
        <span v-if="original" class="original mute">{{ original }}</span>
        {{ fact ? (isTable ? fact.shown.replaceAll('; ', '\n') : fact.shown) : 'give' }}
      </button>
      <button v-if="fact" class="chip evidence" :class="fact.evidence" type="button"
        :title="given ? `${words.known(fact.evidence)?.label}. Tap to change` : `${fact.note} (${fact.source})`" :aria-label="`${field.label}, how known: ${words.known(fact.evidence)?.word}`" @click="turnEvidence" @keydown.e.prevent="turnEvidence">
        {{ words.known(fact.evidence)?.word }}
      </button>
      <label v-if="isTable" class="file textlink" :title="`${field.label} from a file of comma or semicolon separated values`">file<input class="hidden" type="file" accept=".csv,.tsv,.txt,text/csv,text/plain" :aria-label="`${field.label} from a file`" @change="fromFile" /></label>
      <button v-if="!isTable" class="more" type="button" :title="fact?.half ? `${fact.half} · claims, tolerance, solve for it` : 'Claims, tolerance, solve for it'" :aria-label="`${field.label}: claims, tolerance, solve for it`" @click="build.asked = path">
        {{ fact?.claims?.length ? `+${fact.claims.length}` : '⋯' }}
      </button>
    </template>
  </span>
</template>

<style scoped>
.listed {
  white-space: pre-line;
  text-align: right;
}
.quantity {
  margin-left: auto;
  display: inline-flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  align-items: center;
  gap: 3px 6px;
  min-width: 0;
}
.editing > .input {
  flex: 1;
  width: auto;
}
.quantity.editing {
  flex: 1 1 100%;
}
.steppers {
  display: inline-flex;
  gap: 4px;
}
.steppers button {
  min-width: 34px;
  min-height: 32px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--card);
  font-weight: 600;
  cursor: pointer;
}
.value {
  background: none;
  border: 0;
  border-bottom: 1px dotted transparent;
  padding: 1px 2px;
  cursor: text;
  text-align: right;
}
.value:hover {
  border-bottom-color: var(--mute);
}
.absent {
  color: var(--brass);
  font-weight: 500;
  border-bottom-color: var(--brass-line);
}
.original {
  font: 500 13px/1 var(--labels);
  margin-right: 5px;
}
.understood,
.trouble {
  flex: 1 1 100%;
  font-size: 13px;
  text-align: right;
}
.evidence {
  min-width: 42px;
}
.file {
  position: relative;
  font: 600 13px/1 var(--labels);
}
.file:focus-within {
  outline: 2px solid var(--focus);
}
.more {
  position: relative;
  background: none;
  border: 0;
  padding: 0;
  min-width: 14px;
  margin-right: -8px; /* stands in the card's margin, so that no value moves for it */
  color: var(--mute);
  font: 600 13px/1 var(--labels);
  cursor: pointer;
}
@media (max-width: 720px) {
  .more {
    min-width: 34px;
    min-height: 44px;
    margin-right: -10px;
  }
  .value {
    min-height: 44px;
  }
}
</style>
