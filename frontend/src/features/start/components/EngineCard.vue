<script setup lang="ts">
import { computed, ref } from 'vue'
import { Fold } from '../../../ui/lazy'
import Pick from '../../../ui/Pick.vue'
import Segments from '../../../ui/Segments.vue'
import { useEngine } from '../useEngine'
import { useStart } from '../useStart'

/** The simulated engine, so that the page can be tried at a desk: sound, or with a fault, told or not. */
const start = useStart()
const engine = useEngine()
const SOUND = 'sound'
const ANY = 'any'
const picked = ref<string | number | undefined>(SOUND)
const causes = computed(() => start.plan?.causes ?? [])
const options = computed(() => [{ value: SOUND, label: 'Sound' }, { value: ANY, label: 'A fault, not told' }, ...causes.value.map((c) => ({ value: `${c.group}.${c.id}`, label: `${c.title}: ${c.label}` }))])
const paces = [1, 10, 60].map((n) => ({ value: n, label: `×${n}` }))
function turn(): void {
  const any = causes.value[Math.floor(Math.random() * causes.value.length)]
  const cause = picked.value === ANY ? any : causes.value.find((c) => `${c.group}.${c.id}` === picked.value)
  void engine.turn(cause?.group ?? '', cause?.id ?? '', picked.value === ANY ? 'a fault, not told' : (cause?.label ?? 'sound'))
}
</script>

<template>
  <Fold class="card pad noprint" title="Try it at a desk: a simulated engine">
    <p class="mute">Its gauges are made up of this build, with their noise. What is taken of it is marked in the record.</p>
    <div class="line">
      <Pick v-model="picked" label="What is wrong with it" :options="options" />
      <Segments v-model="engine.pace" label="Times as fast" :options="paces" />
      <button class="button" type="button" @click="turn">{{ engine.on ? 'Another engine' : 'Hang it on' }}</button>
      <button v-if="engine.on" class="textlink" type="button" @click="engine.off()">take it off</button>
    </div>
    <p v-if="engine.on"><b>It hangs on the gauges: {{ engine.fault }}.</b></p>
    <p v-if="engine.trouble" class="over" role="alert">{{ engine.trouble }}</p>
  </Fold>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin: 8px 0;
}
</style>
