<script setup lang="ts">
import { computed, ref } from 'vue'
import { Problem, type Schemas } from '../../../api/client'
import { files } from '../../../api/files'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'

/** A pin list as somebody's table has it: pasted or from a file, read line by line, what is odd named, then taken onto the sheet. */
const props = defineProps<{ there: number }>()
const { send, trouble } = useSending()
const text = ref('')
const found = ref<Schemas['PinsOut'] | null>(null)
const wrong = ref('')
type Pin = Schemas['PinsOut']['pins'][number]
const odd = computed(() => found.value?.pins.filter((p) => p.odd.length) ?? [])
const COLUMNS: Column<Pin>[] = [
  { key: 'line', title: 'Line', head: true, show: (p) => String(p.line) },
  { key: 'pin', title: 'pin', show: (p) => [p.plug, p.pin].filter(Boolean).join(' ') },
  { key: 'says', title: 'called', show: (p) => p.says },
  { key: 'label', title: 'taken as', show: (p) => p.label },
  { key: 'odd', title: 'odd', over: () => true, show: (p) => p.odd.join('; ') },
]
async function read(): Promise<void> {
  wrong.value = ''
  try {
    found.value = (await files.pins(text.value)) ?? null
  } catch (error) {
    found.value = null
    wrong.value = error instanceof Problem ? (error.problems[0]?.message ?? error.message) : 'It did not come through. Try again.'
  }
}
async function chosen(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  text.value = await file.text()
  await read()
}
async function take(): Promise<void> {
  if (found.value && (await send(line('electrics.signals', found.value.csv, { action: 'list' })))) {
    found.value = null
    text.value = ''
  }
}
</script>

<template>
  <div class="noprint">
    <h3 class="label">A pin list</h3>
    <p class="mute">Pasted from a table or from a CSV file: plug, pin, wire, what it is for, whether it works; with a head or without.</p>
    <textarea v-model="text" class="input" rows="4" aria-label="Pin list" placeholder="12; brown/white; coolant temperature; ok" />
    <p class="acts">
      <button class="button" type="button" :disabled="!text.trim()" @click="read">Read it</button>
      <input class="input file" type="file" accept=".csv,.txt,.tsv" aria-label="Pin list from a file" @change="chosen" />
    </p>
    <p v-if="wrong || trouble" class="over" role="alert">{{ wrong || trouble }}</p>
    <template v-if="found">
      <p role="status"><strong>{{ found.pins.length }} pins read{{ found.odd.length ? `: ${found.odd.join(', ')}` : '' }}.</strong></p>
      <DataTable v-if="odd.length" :id="(p) => String(p.line)" label="Odd lines" :columns="COLUMNS" :rows="odd" />
      <p><button class="button main" type="button" @click="take">Take {{ found.pins.length }} pins{{ props.there ? `, in place of the ${props.there} there` : '' }}</button></p>
    </template>
  </div>
</template>

<style scoped>
textarea {
  width: 100%;
  font: 14px/1.4 var(--labels);
}
</style>
