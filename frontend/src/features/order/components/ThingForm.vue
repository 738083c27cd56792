<script setup lang="ts">
import { computed, ref } from 'vue'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { optionsOf } from '../../../ui/options'
import Pick from '../../../ui/Pick.vue'
import { short, type Thing } from '../logic'
import { useOrder } from '../useOrder'

/** How a thing stands: state, from whom, price, lead time or the day it is due, what cannot begin without it. */
const props = defineProps<{ thing: Thing }>()
const build = useBuild()
const words = useVocabulary()
const order = useOrder()
const trouble = ref('')
const bought = computed(() => props.thing.path.startsWith('work.'))
const tasks = computed(() => Object.fromEntries(order.tasks.map((t) => [t.id, short(t.title)])))
const typed = (event: Event) => (event.target as HTMLInputElement).value.trim() || null
async function keep(field: string, text: string | null): Promise<void> {
  const problem = await build.enqueue([line(`${props.thing.path}.${field}`, text)])
  trouble.value = problem ? (problem.problems[0]?.message ?? problem.message) : ''
}
async function drop(): Promise<void> {
  await build.enqueue([line(props.thing.path, null, { action: 'remove' })])
}
</script>

<template>
  <div class="form">
    <label><span class="mute">State</span><Pick :label="`State of ${thing.label}`" :options="[{ value: '', label: 'not said' }, ...optionsOf(words.words?.states)]" :model-value="thing.state" @update:model-value="(v) => keep('state', String(v ?? '') || null)" /></label>
    <label><span class="mute">From</span><input class="input" maxlength="80" :value="thing.source" :aria-label="`Where ${thing.label} is from`" @change="keep('from', typed($event))" /></label>
    <label><span class="mute">Price, or from-to</span><input class="input" maxlength="20" inputmode="decimal" :value="thing.price" :aria-label="`Price of ${thing.label}`" @change="keep('price', typed($event))" /></label>
    <label><span class="mute">Lead time</span><input class="input" maxlength="40" placeholder="10-14 days" :value="thing.lead" :aria-label="`Lead time of ${thing.label}`" @change="keep('lead', typed($event))" /></label>
    <label><span class="mute">Due on</span><input class="input" type="date" :value="thing.due" :aria-label="`Day ${thing.label} is due`" @change="keep('due', typed($event))" /></label>
    <label v-if="bought"><span class="mute">Waits for it</span><Pick :label="`What waits for ${thing.label}`" :options="[{ value: '', label: 'nothing' }, ...optionsOf(tasks)]" :model-value="thing.tasks[0] ?? ''" @update:model-value="(v) => keep('task', String(v ?? '') || null)" /></label>
    <label class="wide"><span class="mute">Note</span><input class="input" maxlength="400" :value="thing.note" :aria-label="`Note on ${thing.label}`" @change="keep('note', typed($event))" /></label>
    <button v-if="bought" class="textlink" type="button" @click="drop">Take it off the list</button>
    <p v-if="trouble" class="over wide" role="alert">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 6px 10px;
}
label,
label > :last-child {
  display: block;
  width: 100%;
}
.wide {
  grid-column: 1 / -1;
}
@media (max-width: 720px) {
  .form {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
