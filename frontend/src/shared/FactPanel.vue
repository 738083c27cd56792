<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { Field, Schemas } from '../api/client'
import { useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import CautionNote from './CautionNote.vue'
import FactRow from './FactRow.vue'

/** The facts of a section by group; what only the rules know, and larger groups nobody has stated anything of, fold away. */
const props = withDefaults(defineProps<{ section: string; title?: string; cautions?: Schemas['CautionOut'][]; only?: string[] }>(), {
  title: 'Fitted',
  cautions: () => [],
  only: () => [],
})
const build = useBuild()
const words = useVocabulary()
const all = ref(false)
const route = useRoute()
// A fact that is landed on must be there, also where only the rule knows it.
watch(() => route.hash, (hash) => {
  if (hash.startsWith(`#${props.section}.`)) all.value = true
}, { immediate: true })

const path = (field: Field) => `${props.section}.${field.name}`
const fact = (field: Field) => build.build?.facts[path(field)]
const stated = (field: Field) => {
  const found = fact(field)
  return found !== undefined && found.evidence !== 'rule'
}
/** The choice a field stands at, also where only the rule made it. */
const chosen = (name: string) => {
  const found = build.build?.facts[`${props.section}.${name}`]
  if (found === undefined || found.evidence !== 'rule') return found?.text ?? ''
  const choices = words.words?.sections[props.section]?.fields.find((f) => f.name === name)?.choices ?? {}
  return Object.keys(choices).find((id) => choices[id] === found.shown) ?? ''
}
/** Whether what a field depends on is chosen so that it has a meaning. */
const applies = (field: Field) => Object.entries(field.when).every(([name, choices]) => choices.includes(chosen(name)))
const FEW = 2
const kept = (own: Field[]) => {
  const begun = own.some((f) => stated(f) || f.part !== '') || own.filter((f) => fact(f) === undefined).length <= FEW
  return own.filter((f) => stated(f) || (begun && (f.part !== '' || fact(f) === undefined)))
}
const groups = computed(() => {
  const fields = words.words?.sections[props.section]?.fields ?? []
  const found: { name: string; fields: Field[]; more: number }[] = []
  for (const name of new Set(fields.map((f) => f.group))) {
    if (props.only.length && !props.only.includes(name)) continue
    const own = fields.filter((f) => f.group === name && (applies(f) || stated(f)))
    const shown = all.value ? own : kept(own)
    found.push({ name, fields: shown, more: own.length - shown.length })
  }
  return found
})
const folded = computed(() => groups.value.reduce((sum, group) => sum + group.more, 0))
</script>

<template>
  <section class="card">
    <div class="pad">
      <h2 class="label">{{ title }}</h2>
      <div v-for="group in groups" v-show="group.fields.length" :key="group.name" class="group">
        <h3 class="hidden">{{ group.name }}</h3>
        <FactRow v-for="field in group.fields" :key="field.name" :path="path(field)" :field="field" />
        <CautionNote v-for="caution in cautions.filter((c) => c.where === group.name)" :key="caution.id" :text="caution.text" />
      </div>
      <button v-if="folded || all" class="textlink more" type="button" :aria-expanded="all" @click="all = !all">
        {{ all ? 'Show only what is stated' : `${folded} more: by rule or not stated` }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.group {
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.group:last-of-type {
  border-bottom: 0;
}
.more {
  margin-top: 8px;
}
</style>
