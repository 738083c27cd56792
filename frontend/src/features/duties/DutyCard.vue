<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Field } from '../../api/client'
import FactRow from '../../station/FactRow.vue'
import { line, useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'

/** One duty: the facts its kind uses, what the engine does in it, and whether it is held. */
const props = defineProps<{ id: string; kind: string }>()
const build = useBuild()
const words = useVocabulary()
const all = ref(false)
const COMMON = ['name', 'ambient', 'duration']
const BY_KIND: Record<string, string[]> = {
  road: ['speed', 'grade', 'tow', 'air_conditioning', 'braking', 'cornering'],
  idle: ['air_conditioning'],
  pull: ['power_share', 'air_speed', 'start', 'after'],
  run: ['power_share', 'air_speed', 'start', 'after', 'braking', 'cornering', 'pulling'],
  work: ['power_share', 'air_speed', 'heel'],
  boat: ['speed_share', 'speed', 'sea', 'heel'],
  bollard: ['speed_share', 'sea'],
  flight: ['speed_share', 'air_speed', 'altitude'],
  typed: ['engine_power', 'engine_speed', 'air_speed'],
}
const fields = computed<Field[]>(() => {
  const own = words.words?.sections.duties?.fields ?? []
  const usual = new Set([...COMMON, ...(BY_KIND[props.kind] ?? [])])
  return all.value ? own.filter((f) => f.name !== 'kind') : own.filter((f) => usual.has(f.name))
})
const name = computed(() => build.build?.facts[`duties.${props.id}.name`]?.shown ?? props.id)
const figures = computed(() => build.report?.systems.engine?.figures[props.id])
const held = computed(() => build.report?.systems.engine?.checks.find((c) => c.duty === props.id))
const said = computed(() => held.value?.sentence ?? (figures.value ? `Engine at ${words.show(figures.value.engine_power_w, 'power')} and ${words.show(figures.value.engine_speed_rpm, 'speed_rpm')}.` : 'Not solved: something is missing.'))
</script>

<template>
  <section class="card duty" :aria-label="name">
    <div class="head">
      <h2>{{ name }}</h2>
      <button class="textlink" type="button" :aria-label="`take out ${name}`" @click="build.send([line(`duties.${id}`, null)])">take out</button>
    </div>
    <p class="mute" :class="{ over: (held?.fill ?? 0) > 1 }">{{ said }}</p>
    <FactRow v-for="field in fields" :key="field.name" :path="`duties.${id}.${field.name}`" :field="field" />
    <button class="textlink" type="button" :aria-expanded="all" @click="all = !all">{{ all ? 'Only the usual' : 'All fields' }}</button>
  </section>
</template>

<style scoped>
.duty {
  padding: 12px 14px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
h2 {
  font: 600 17px/1.3 var(--words);
}
p {
  font-size: 14px;
  margin: 2px 0 8px;
}
</style>
