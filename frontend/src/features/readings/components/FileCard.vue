<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { Fold } from '../../../ui/lazy'
import Pick from '../../../ui/Pick.vue'
import { columnsText, spell } from '../logic'
import { useReadings } from '../useReadings'

/** A log or a track from a file: what its columns are, kept as a recipe for the next of its kind. */
const readings = useReadings()
const words = useVocabulary()
const file = computed(() => readings.file)
const read = computed(() => file.value?.read ?? null)
const name = ref('')
watch(file, (now) => (name.value = now?.name.replace(/\.[^.]+$/, '') ?? ''))
const opened = (event: Event) => {
  const own = (event.target as HTMLInputElement).files?.[0]
  if (own) void readings.open(own.name, own)
  ;(event.target as HTMLInputElement).value = ''
}
const channels = computed(() => [{ value: '', label: 'left out' }, ...(read.value?.channels ?? []).map((c) => ({ value: c.id, label: c.label }))])
const units = (channel: string) => (read.value?.channels.find((c) => c.id === channel)?.units ?? []).map((u) => ({ value: u, label: u }))
async function map(at: number, change: { channel?: string; unit?: string }): Promise<void> {
  const own = file.value
  if (!own || !read.value) return
  const columns = read.value.columns.map((c, i) => {
    if (i !== at) return c
    const channel = change.channel ?? c.channel
    const fits = read.value?.channels.find((k) => k.id === channel)?.units ?? []
    const mine = words.unit(read.value?.channels.find((k) => k.id === channel)?.kind ?? '')
    const unit = change.unit ?? (fits.includes(c.unit) ? c.unit : fits.includes(mine) ? mine : (fits[0] ?? ''))
    return { ...c, channel, unit }
  })
  await readings.open(own.name, own.content, columnsText(columns))
}
const known = computed(() => readings.found?.recipes.some((r) => r.heads === read.value?.heads))
</script>

<template>
  <section class="card pad" data-file>
    <h2 class="label">A log or a track of yours</h2>
    <p class="mute">CSV of any columns and units, or a GPX track. Places are not kept: only speed and height.</p>
    <p class="do"><label class="button">Open a file (CSV, GPX)<input class="hidden" type="file" accept=".csv,.txt,.gpx" aria-label="A log or a track from a file" @change="opened" /></label><span v-if="file" class="mute">{{ file.name }}</span></p>
    <p v-if="readings.fileTrouble" class="over" role="alert">{{ readings.fileTrouble }}</p>
    <template v-if="read">
      <p role="status">{{ spell(read.seconds) }} in {{ read.rows.toLocaleString('en') }} rows: {{ read.found.join(', ').toLowerCase() }}.<template v-if="read.left_out"> {{ read.left_out.toLocaleString('en') }} rows without a time are left out.</template><template v-if="known"> Read by the recipe kept for such files.</template></p>
      <p v-for="d in read.dead" :key="d" class="over">{{ d }} never moved: a dead sender, or a wire off.</p>
      <Fold v-if="read.columns.length" title="What its columns are">
        <div class="columns"><div v-for="(c, i) in read.columns" :key="i" class="column"><span>{{ c.head }} <span class="mute">{{ c.example }}</span></span><Pick :label="`Column ${c.head} is`" :options="channels" :model-value="c.channel" @update:model-value="(v) => map(i, { channel: String(v ?? '') })" /><Pick v-if="c.channel" :label="`Column ${c.head} is in`" :options="units(c.channel)" :model-value="c.unit" @update:model-value="(v) => map(i, { unit: String(v ?? '') })" /></div></div>
      </Fold>
      <form class="do" @submit.prevent="readings.keep(name)"><label class="asks name">Called<input v-model="name" class="input" maxlength="80" /></label><button class="button main" type="submit">Keep it with the build</button></form>
    </template>
  </section>
</template>

<style scoped>
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
  margin-top: 8px;
}
label.button {
  position: relative;
}
label.button:focus-within {
  outline: 2px solid var(--focus);
}
.name {
  flex: 1 1 200px;
}
.columns {
  display: grid;
  gap: 6px;
}
.column {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) 92px;
  gap: 8px;
  align-items: center;
}
@media (max-width: 720px) {
  .name .input {
    min-height: 44px;
  }
}
</style>
