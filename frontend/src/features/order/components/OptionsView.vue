<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { Schemas } from '../../../api/client'
import { floor } from '../../../api/floor'
import { useLatest } from '../../../api/useLatest'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import AddLine from '../../../ui/AddLine.vue'
import Waiting from '../../../ui/Waiting.vue'
import { stated } from '../../../ui/typed'
import { freshId, workOf } from '../logic'
import { dayOf } from '../../../ui/day'
import { said } from '../../../ui/said'

/** Go or no-go: engines that could be taken, each run on this machine with what is fitted; what could stop the job, priced. */
const build = useBuild()
const found = shallowRef<Schemas['OptionsOut'] | null>(null)
const failed = ref('')
const { send, trouble } = useSending()
const { ask } = useLatest(async (signal) => {
  found.value = (await floor.options(build.document, dayOf(new Date()), signal)) ?? null
  failed.value = ''
}, 0, (error) => (failed.value = said(error)))
watch(() => [build.build?.id, build.build?.revision], () => void ask(), { immediate: true })
type Option = Schemas['EngineOptionOut']
const kept = computed(() => workOf(build.document).options ?? [])
const textOf = (id: string, field: (typeof FIELDS)[number][0]) => kept.value.find((o) => o.id === id)?.[field] ?? ''
const LINES: { label: string; show: (o: Option) => string; over?: (o: Option) => boolean }[] = [
  { label: 'On this machine', show: (o) => o.problem || o.sentence, over: (o) => o.problem !== '' || o.state === 'short' },
  { label: 'Power claimed', show: (o) => o.power },
  { label: 'Torque', show: (o) => o.torque },
  { label: 'The claim', show: (o) => (o.believable === null ? '' : o.claim), over: (o) => o.believable === false },
  { label: 'Holds with what is fitted', show: (o) => o.reach },
  { label: 'Dry weight', show: (o) => o.mass + (o.heavier_kg ? `, ${Math.abs(Math.round(o.heavier_kg))} kg ${o.heavier_kg > 0 ? 'more' : 'less'}` : '') },
  { label: 'Engine and parts', show: (o) => o.price },
]
const FIELDS = [['rated_power', 'Power', '150 hp'], ['rated_speed', 'Power’s speed', '5500 rpm'], ['peak_torque', 'Torque', '300 Nm'], ['displacement', 'Displacement', '2.5 L'], ['dry_mass', 'Dry weight', '140 kg'], ['price', 'Price', '700-1200'], ['parts', 'Parts besides', '600-900']] as const
const FITS = { unknown: 'not held in yet', yes: 'was held in: fits', no: 'was held in: does not fit' }
const add = (name: string) => send(line(`work.options.${freshId(name, kept.value.map((o) => o.id))}.title`, name))
</script>

<template>
  <section class="card pad">
    <h2 class="label">Engines on this machine</h2>
    <p v-if="failed" class="over" role="alert">{{ failed }}</p>
    <Waiting v-if="!found && !failed" label="Each engine is run on this machine" :height="260" />
    <div v-else-if="found" class="scroll" tabindex="0" role="region" aria-label="Engines side by side">
      <table>
        <thead><tr><td /><th v-for="o in found.options" :key="o.id" scope="col">{{ o.title }}<span v-if="o.own" class="mute">, as the build states it</span></th></tr></thead>
        <tbody>
          <tr v-for="l in LINES" :key="l.label"><th scope="row">{{ l.label }}</th><td v-for="o in found.options" :key="o.id" :class="{ over: l.over?.(o) }">{{ l.show(o) }}</td></tr>
          <tr><th scope="row">Held into the bay</th><td v-for="o in found.options" :key="o.id">{{ o.own ? 'as Fit says' : FITS[o.fits as keyof typeof FITS] }}</td></tr>
          <tr v-for="[field, head, like] in FIELDS" :key="field" class="noprint"><th scope="row" class="mute">{{ head }}, as told</th><td v-for="o in found.options" :key="o.id"><input v-if="!o.own" class="input" maxlength="40" :placeholder="like" :value="textOf(o.id, field)" :aria-label="`${head} of ${o.title}`" @change="send(line(`work.options.${o.id}.${field}`, stated($event)))" /></td></tr>
          <tr class="noprint"><td /><td v-for="o in found.options" :key="o.id"><button v-if="!o.own" class="textlink" type="button" :aria-label="`let go: ${o.title}`" @click="send(line(`work.options.${o.id}`, null, { action: 'remove' }))">let go</button></td></tr>
        </tbody>
      </table>
    </div>
    <AddLine label="An engine that could be taken" like="in-line four diesel 2.5 L" button="Set it beside" :add="add" />
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
  <section v-if="found" class="card pad" :class="{ open: found.unpriced.length }">
    <h2 class="label">Before the go</h2>
    <p><b>{{ found.advice }}</b></p>
    <ul v-if="found.unpriced.length"><li v-for="b in found.unpriced" :key="b">{{ b }}</li></ul>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
  margin-top: 6px;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 6px 14px 6px 0;
  border-bottom: 1px solid var(--line);
  min-width: 130px;
  font-weight: 400;
}
thead th {
  font-weight: 600;
}
tbody th {
  color: var(--mute);
}
.open {
  border-left: 4px solid var(--over);
}
ul {
  margin: 6px 0 0;
  padding-left: 18px;
}
</style>
