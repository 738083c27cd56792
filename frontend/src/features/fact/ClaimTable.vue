<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Edit, Fact, Field } from '../../api/client'
import { line, useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'

/** Every value somebody gives for a fact, with source and date; one is in use. */
const props = defineProps<{ path: string; field: Field; fact: Fact | undefined }>()
const build = useBuild()
const words = useVocabulary()
const text = ref('')
const source = ref('')
const evidence = ref<NonNullable<Edit['evidence']>>('sheet')
const trouble = ref('')
const given = computed(() => props.fact !== undefined && props.fact.evidence !== 'rule')
const claims = computed(() => props.fact?.claims ?? [])
const today = () => new Date().toISOString().slice(0, 10)

async function send(edit: Edit): Promise<boolean> {
  const problem = await build.enqueue([edit])
  trouble.value = problem ? `${problem.message}${problem.problems[0]?.allowed ? ` Understood: ${problem.problems[0].allowed}.` : ''}` : ''
  return problem === null
}
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
    <table>
      <tbody>
        <tr v-if="fact" class="used">
          <td class="figure">{{ fact.shown }}</td>
          <td>{{ words.known(fact.evidence)?.label }}<template v-if="given && fact.source">, {{ fact.source }}</template><template v-if="!given">: {{ fact.note }}</template></td>
          <td class="mute">{{ fact.date }}</td>
          <td class="mute">in use</td>
        </tr>
        <tr v-for="(claim, i) in claims" :key="i">
          <td class="figure">{{ claim.shown }}</td>
          <td>{{ words.known(claim.evidence)?.label }}<template v-if="claim.source">, {{ claim.source }}</template></td>
          <td class="mute">{{ claim.date }}</td>
          <td class="acts"><button class="textlink" type="button" @click="use(i)">use</button> <button class="textlink" type="button" @click="drop(i)">drop</button></td>
        </tr>
      </tbody>
    </table>
    <form class="add" @submit.prevent="add">
      <input v-model="text" class="input" type="text" maxlength="200" :placeholder="given ? 'another value' : 'value'" :aria-label="`Another value for ${field.label}`" />
      <select v-model="evidence" class="cardpick" aria-label="How that is known">
        <option v-for="id in words.stated" :key="id" :value="id">{{ words.known(id)?.label }}</option>
      </select>
      <input v-model="source" class="input" type="text" maxlength="80" placeholder="who says so" aria-label="Who says so" />
      <button class="button" type="submit">{{ given ? 'Add claim' : 'Set' }}</button>
    </form>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  margin: 6px 0 8px;
}
td {
  border-top: 1px solid var(--line);
  padding: 5px 8px 5px 0;
  vertical-align: baseline;
}
.used .figure {
  border-left: 3px solid var(--brass-line);
  padding-left: 7px;
}
.acts {
  white-space: nowrap;
  text-align: right;
}
.add {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 6px;
}
.add .button {
  white-space: nowrap;
}
.add .cardpick {
  min-width: 0;
}
@media (max-width: 560px) {
  .add {
    grid-template-columns: 1fr;
  }
  .cardpick {
    min-height: 44px;
  }
}
</style>
