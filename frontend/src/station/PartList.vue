<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Edit } from '../api/client'
import { line, useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import FactRow from './FactRow.vue'
import { inPlace } from './parts'

/** A place that several parts fill in order: each opened to be stated, moved, taken out; one more added at the end. */
const props = defineProps<{ place: string; title: string; empty: string }>()
const build = useBuild()
const words = useVocabulary()
const trouble = ref('')
const role = computed(() => words.words?.places[props.place])
const parts = computed(() => inPlace(build.document, props.place))
const fact = (id: string, name: string) => build.build?.facts[`${props.place}.${id}.${name}`]
const fields = (id: string) => (role.value?.fields ?? []).filter((f) => Object.entries(f.when).every(([name, choices]) => choices.includes(fact(id, name)?.text ?? '')))
/** What is stated of one, in a line. */
const said = (id: string) => (role.value?.fields ?? []).flatMap((f) => {
  const found = fact(id, f.name)
  return found && found.evidence !== 'rule' && found.si !== 0 ? [found.shown] : []
}).join(' · ') || 'nothing stated'
async function act(path: string, action: Edit['action'], more: Partial<Edit> = {}): Promise<void> {
  const problem = await build.enqueue([line(path, null, { action, ...more })])
  trouble.value = problem?.message ?? ''
}
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">{{ title }}</h2>
      <button class="button" type="button" @click="act(place, 'add')">Add a {{ role?.label.toLowerCase() }}</button>
    </div>
    <p v-if="!parts.length" class="mute">{{ empty }}</p>
    <details v-for="(part, i) in parts" :key="part.id" :data-piece="part.id">
      <summary><span class="figure">{{ i + 1 }}</span> {{ said(part.id) }}</summary>
      <FactRow v-for="field in fields(part.id)" :key="field.name" :path="`${place}.${part.id}.${field.name}`" :field="field" />
      <p class="acts">
        <button v-if="i > 0" class="textlink" type="button" @click="act(`parts.${part.id}`, 'move', { index: i - 1 })">earlier</button>
        <button v-if="i < parts.length - 1" class="textlink" type="button" @click="act(`parts.${part.id}`, 'move', { index: i + 1 })">later</button>
        <button class="textlink" type="button" @click="act(`parts.${part.id}`, 'remove')">take out</button>
      </p>
    </details>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.cardhead .button {
  padding: 3px 10px;
}
details {
  border-top: 1px solid var(--line);
  padding: 4px 0;
}
summary {
  cursor: pointer;
  padding: 4px 0;
}
.acts {
  display: flex;
  gap: 14px;
  padding: 4px 0;
}
</style>
