<script setup lang="ts">
import { ref } from 'vue'
import { api, Problem, type Solved } from '../../api/client'
import { useLatest } from '../../api/useLatest'
import { line, useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'

/** Values of one fact at which the wanted power holds: the smallest that does, the largest, likely and surely. */
const props = defineProps<{ path: string }>()
const build = useBuild()
const words = useVocabulary()
const found = ref<Solved | null>(null)
const working = ref(false)
const trouble = ref('')

const { ask } = useLatest(async (signal) => {
  found.value = await api.solve(build.document, props.path, signal)
}, 0, (error) => (trouble.value = error instanceof Problem ? error.message : 'The server is not reached.'))
async function solve(): Promise<void> {
  working.value = true
  trouble.value = ''
  await ask()
  working.value = false
}
type End = NonNullable<Solved['low']>
async function set(end: End): Promise<void> {
  const problem = await build.enqueue([line(props.path, end.text, { evidence: 'guess' }), ...end.also.map((e) => line(e.path, e.text, {}))])
  trouble.value = problem?.message ?? ''
}
</script>

<template>
  <section>
    <h3 class="label">Solve for it</h3>
    <button class="button" type="button" :disabled="working" @click="solve">{{ working ? 'Working' : 'At which values does the wanted power hold?' }}</button>
    <div v-if="found" class="found" role="status">
      <template v-if="found.low && found.high">
        <p v-if="found.low.gives" class="line"><span>Smallest that holds: <strong class="figure">{{ found.low.text || found.low.shown }}</strong> <span class="mute">(below it, {{ found.low.gives }})</span></span><button v-if="found.low.text" class="textlink" type="button" @click="set(found.low)">set</button></p>
        <p v-if="found.high.gives" class="line"><span>Largest that holds: <strong class="figure">{{ found.high.text || found.high.shown }}</strong> <span class="mute">(above it, {{ found.high.gives }})</span></span><button v-if="found.high.text" class="textlink" type="button" @click="set(found.high)">set</button></p>
        <p v-if="!found.low.gives && !found.high.gives">Holds anywhere from {{ found.low.shown }} to {{ found.high.shown }}.</p>
        <p v-if="found.low.gives && found.sure_low" class="line"><span>Surely from <strong class="figure">{{ found.sure_low.text || found.sure_low.shown }}</strong> up, with every tolerance.</span><button v-if="found.sure_low.text" class="textlink" type="button" @click="set(found.sure_low)">set</button></p>
        <p v-if="found.high.gives && found.sure_high" class="line"><span>Surely up to <strong class="figure">{{ found.sure_high.text || found.sure_high.shown }}</strong>, with every tolerance.</span><button v-if="found.sure_high.text" class="textlink" type="button" @click="set(found.sure_high)">set</button></p>
        <p v-if="!found.sure_low && !found.sure_high" class="mute">No value makes it sure: other facts are in too much doubt.</p>
      </template>
      <p v-else-if="found.touches.length" class="over">No value of it holds for all it touches: {{ found.touches.join('; ') }}.</p>
      <p v-else>It decides nothing that any value of it could mend.</p>
      <p v-if="found.low && !found.low.text" class="mute">No text typed for it holds as that value does: what follows from it moves the end.</p>
      <p v-if="found.low?.also.length" class="mute">Set with it: {{ found.low.also.map((e) => `${words.within(e.path)} ${e.text}`).join(', ') }}.</p>
      <p v-if="found.stuck.length" class="mute">Whatever its value, still over: {{ found.stuck.join('; ') }}.</p>
    </div>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
section {
  margin-top: 16px;
}
.button {
  margin-top: 6px;
}
.found {
  margin-top: 8px;
  display: grid;
  gap: 5px;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
</style>
