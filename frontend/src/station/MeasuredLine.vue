<script setup lang="ts">
import { computed } from 'vue'
import { line, useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import { more } from '../ui/more'
import { useSending } from './useSending'

/** What was measured here and moved the verdicts; taken off by one press. */
const build = useBuild()
const words = useVocabulary()
const { send, trouble } = useSending()
const found = computed(() => build.report?.measured ?? null)
const to = computed(() => ({ name: 'readings', params: { id: build.build?.id } }))
const told = computed(() => (found.value?.factors ?? []).filter((f) => Math.abs(Math.round(100 * (f.value - 1))) >= 2).map((f) => `${f.label} ${more(f.value)}`).join(', '))
/** Rows that go by it, with their reach, or what they carry, without. */
const rows = computed(() => (found.value?.rows ?? []).flatMap((was) => {
  const now = build.report?.rows.find((r) => r.system === was.system && r.part === was.part && r.kind === was.kind)
  const [a, b] = now ? [now.reach_w ?? now.carries_w, was.reach_w ?? was.carries_w] : [null, null]
  return now && a !== null && b !== null && Math.abs(a - b) > 0.005 * b ? [`${now.label.toLowerCase()} ${words.show(a, 'power')} (${words.number(b, 'power')})`] : []
}))
const changed = computed(() => found.value && build.report && found.value.headline !== build.report.headline.sentence)
</script>

<template>
  <p v-if="found" class="measured" data-measured>
    <b>Measured here</b><template v-if="told">: {{ told }}</template>.
    <template v-if="rows.length"> It moves {{ rows.join(', ') }}.</template>
    <span v-if="changed" class="mute"> Without it: {{ found.headline }}</span>
    <span v-if="found.gone.length"> {{ found.gone.join(' and ') }} changed since: a guess again.</span>
    <span class="noprint"> <router-link :to="to">the readings</router-link> <button class="textlink" type="button" @click="send(line('readings.applied', null))">take it off</button></span>
    <span v-if="trouble" class="over" role="alert">{{ trouble }}</span>
  </p>
</template>

<style scoped>
.measured {
  margin-top: 6px;
  padding: 6px 10px;
  border-left: 3px solid var(--cooling);
  background: var(--glass);
}
.textlink {
  margin-left: 10px;
}
</style>
