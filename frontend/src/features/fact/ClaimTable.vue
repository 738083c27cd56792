<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Edit, Fact, Field } from '../../api/client'
import { useSending } from '../../station/useSending'
import { line } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import Pick from '../../ui/Pick.vue'
import DataTable from '../../ui/DataTable.vue'
import type { Column } from '../../ui/grid'

/** Every value somebody gives for a fact, with source and date; one is in use. */
const props = defineProps<{ path: string; field: Field; fact: Fact | undefined }>()
const words = useVocabulary()
const text = ref('')
const source = ref('')
const evidence = ref<NonNullable<Edit['evidence']>>('sheet')
const ways = computed(() => words.stated.map((id) => ({ value: id, label: words.known(id)?.label ?? id })))
const { send, trouble } = useSending()
const given = computed(() => props.fact !== undefined && props.fact.evidence !== 'rule')
interface Said { at: number; shown: string; who: string; date: string }
const COLUMNS: Column<Said>[] = [
  { key: 'shown', title: 'Value', head: true, show: (s) => s.shown },
  { key: 'who', title: 'How it is known', show: (s) => s.who },
  { key: 'date', title: 'Since', show: (s) => s.date, mute: true },
  { key: 'do', title: '' },
]
const known = (evidence: string, more: string) => [words.known(evidence)?.label, more].filter(Boolean).join(given.value ? ', ' : ': ')
/** What is in use first. */
const said = computed<Said[]>(() => {
  const fact = props.fact
  if (!fact) return []
  const used = { at: -1, shown: fact.shown, who: known(fact.evidence, given.value ? (fact.source ?? '') : fact.note), date: fact.date ?? '' }
  return [used, ...(fact.claims ?? []).map((c, at) => ({ at, shown: c.shown, who: [words.known(c.evidence)?.label, c.source].filter(Boolean).join(', '), date: c.date ?? '' }))]
})
const today = () => new Date().toISOString().slice(0, 10)

async function add(): Promise<void> {
  if (!text.value.trim()) return
  const more = { evidence: evidence.value, source: source.value.trim() || null, date: today() }
  if (await send(line(props.path, text.value.trim(), { action: 'claim', ...more }))) text.value = source.value = ''
}
const use = (index: number) => send(line(props.path, null, { action: 'use', index }))
const drop = (index: number) => send(line(props.path, null, { action: 'drop', index }))
</script>

<template>
  <section>
    <h3 class="label">Who says what</h3>
    <DataTable v-if="said.length" :id="(s) => String(s.at)" label="Who says what" :columns="COLUMNS" :rows="said" :marked="(s) => s.at < 0">
      <template #cell="{ column, row }">
        <span v-if="column.key !== 'do'">{{ column.show?.(row) }}</span>
        <span v-else-if="row.at < 0" class="mute">in use</span>
        <span v-else class="acts"><button class="textlink" type="button" @click="use(row.at)">use</button> <button class="textlink" type="button" @click="drop(row.at)">drop</button></span>
      </template>
    </DataTable>
    <form class="add" @submit.prevent="add">
      <input v-model="text" class="input" type="text" maxlength="200" :placeholder="given ? 'another value' : 'value'" :aria-label="`Another value for ${field.label}`" />
      <Pick v-model="evidence" label="How that is known" :options="ways" />
      <input v-model="source" class="input" type="text" maxlength="80" placeholder="who says so" aria-label="Who says so" />
      <button class="button" type="submit">{{ given ? 'Add claim' : 'Set' }}</button>
    </form>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.acts {
  white-space: nowrap;
  text-align: right;
}
.add {
  margin-top: 10px;
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 6px;
}
.add .button {
  white-space: nowrap;
}
@media (max-width: 560px) {
  .add {
    grid-template-columns: 1fr;
  }
}
</style>
