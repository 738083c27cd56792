<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { Field, Schemas } from '../api/client'
import { useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import CautionNote from '../ui/CautionNote.vue'
import FactRow from './FactRow.vue'
import PartHead from './PartHead.vue'
import { inPlace } from './parts'

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
  const whole = words.words?.sections[name.split('.')[0] ?? ''] && name.includes('.') ? name : `${props.section}.${name}`
  return build.build?.facts[whole]?.text ?? ''
}
/** Whether what a field depends on is chosen so that it has a meaning. */
const applies = (field: Field) => Object.entries(field.when).every(([name, choices]) => choices.includes(chosen(name)))
const FEW = 2
/** More of what a group begun could also be told than this fold away: nothing waits for them. */
const MANY = 3
/** Groups opened by their names. */
const opened = ref<string[]>([])
/** What a rule supplied and still moves a check or a need of this build: those stand first and open. */
const decides = computed(() => {
  const paths = Object.values(build.report?.systems ?? {}).flatMap((s) => s.decides ?? [])
  const leading = build.report?.systems[props.section]?.decides ?? []
  return [...new Set([...leading, ...paths])].filter((p) => p.startsWith(`${props.section}.`))
})
const deciding = computed(() => {
  const fields = words.words?.sections[props.section]?.fields ?? []
  return decides.value.flatMap((p) => fields.filter((f) => path(f) === p && fact(f)?.evidence === 'rule' && (!props.only.length || props.only.includes(f.group))))
})
const kept = (own: Field[]) => {
  const begun = own.some((f) => stated(f) || f.part !== '') || own.filter((f) => fact(f) === undefined).length <= FEW
  // What hangs on a choice made is asked for by it.
  const asked = (f: Field) => f.part !== '' || Object.keys(f.when).length > 0
  const bare = own.filter((f) => !asked(f) && fact(f) === undefined).length > MANY
  return own.filter((f) => stated(f) || (begun && (f.part !== '' || (fact(f) === undefined && (asked(f) || !bare)))))
}
const groups = computed(() => {
  const fields = words.words?.sections[props.section]?.fields ?? []
  const found: { name: string; fields: Field[]; more: number }[] = []
  for (const name of new Set(fields.map((f) => f.group))) {
    if (props.only.length && !props.only.includes(name)) continue
    const own = fields.filter((f) => f.group === name && (applies(f) || stated(f)) && !deciding.value.includes(f))
    const shown = all.value || opened.value.includes(name) ? own : kept(own)
    found.push({ name, fields: shown, more: own.length - shown.length })
  }
  return found
})
/** The part whose place a fact belongs to, where one part fills it. */
const partOf = (field: Field) => {
  const place = `${props.section}.${field.name.split('.')[0]}`
  return field.name.includes('.') && !words.words?.places[place]?.many ? inPlace(build.document, place)[0] : undefined
}
/** Each group with the facts of the system first, then those of each part under its head, which stands once. */
const byPart = computed(() => {
  const headed = new Set<string>()
  return groups.value.map(({ name, fields }) => {
    const parts = [...new Set(fields.map(partOf))].sort((a, b) => Number(a !== undefined) - Number(b !== undefined))
    const blocks = parts.map((part) => {
      const head = part && !headed.has(part.id) ? part : undefined
      if (head) headed.add(head.id)
      return { key: part?.id ?? '', head, fields: fields.filter((f) => partOf(f) === part) }
    })
    return { name, blocks }
  })
})
/** Groups of which nothing is shown, by their names. */
const shut = computed(() => groups.value.filter((g) => g.fields.length === 0 && g.more > 0 && g.name !== '').map((g) => g.name))
const folded = computed(() => groups.value.reduce((sum, group) => sum + group.more, 0))
</script>

<template>
  <section class="card">
    <div class="pad">
      <h2 class="label">{{ title }}</h2>
      <div v-if="deciding.length" class="group decides">
        <h3 class="mute">Nobody stated these, and they decide</h3>
        <FactRow v-for="field in deciding" :key="field.name" :path="path(field)" :field="field" />
      </div>
      <div v-for="group in byPart" v-show="group.blocks.length" :key="group.name" class="group">
        <h3 class="hidden">{{ group.name }}</h3>
        <template v-for="block in group.blocks" :key="block.key">
          <PartHead v-if="block.head" :part="block.head" />
          <FactRow v-for="field in block.fields" :key="field.name" :path="path(field)" :field="field" />
        </template>
        <CautionNote v-for="caution in cautions.filter((c) => c.where === group.name)" :key="caution.id" :text="caution.text" />
      </div>
      <p v-if="shut.length" class="shut mute">Nothing stated of: <template v-for="(name, i) in shut" :key="name">{{ i ? ', ' : '' }}<button class="textlink" type="button" @click="opened = [...opened, name]">{{ name.toLowerCase() }}</button></template></p>
      <button v-if="folded || all" class="textlink more" type="button" :aria-expanded="all" @click="all = !all">
        {{ all ? 'Show only what is stated' : `${folded} more: not given, or they move nothing here` }}
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
.shut {
  padding: 8px 0 2px;
  line-height: 1.7;
}
.decides {
  border-left: 2px dashed var(--mute);
  padding-left: 10px;
}
.decides h3 {
  font: 500 13.5px/1.3 var(--words);
}
.more {
  margin-top: 8px;
}
</style>
