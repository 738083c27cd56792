<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import StateIt from '../../../station/StateIt.vue'
import TwoColumns from '../../../ui/TwoColumns.vue'
import { asEdits, headline } from '../logic'
import { useReadings } from '../useReadings'
import LearnedCard from './LearnedCard.vue'
import TakeForm from './TakeForm.vue'
import TakenRow from './TakenRow.vue'

/** Readings beside what is foretold of each, what they taught, and whether the verdicts go by it. */
const readings = useReadings()
const words = useVocabulary()
const { send, trouble } = useSending()
const found = computed(() => readings.found)
const said = computed(() => (found.value ? headline(found.value, words.words?.systems) : { lead: '', strong: '', over: false }))
const shift = computed(() => found.value?.shift ?? null)
const hundred = (share: number) => `${Math.round(100 * share)} of 100`
const adding = ref(false)
const rows = computed(() => [...(found.value?.taken ?? [])].sort((a, b) => (b.at ?? '').localeCompare(a.at ?? '')))
const off = () => send(line('readings.applied', null))
const apply = () => send(...asEdits(found.value?.keep ?? []))
defineEmits<{ drives: [] }>()
</script>

<template>
  <template v-if="found">
    <header>
      <h1>{{ said.lead }} <span :class="{ over: said.over }">{{ said.strong }}</span></h1>
      <p v-if="shift && found.counted" class="mute">Holds in {{ hundred(shift.holds_before) }} cases by the facts alone, in {{ hundred(shift.holds_after) }} by what was read.<template v-if="found.residual_before > 0"> Readings lie {{ words.show(found.residual, 'temperature_difference') }} from the model now, {{ words.show(found.residual_before, 'temperature_difference') }} before.</template></p>
      <p v-if="found.missing.length" class="over">Nothing can be foretold yet: <template v-for="(m, i) in found.missing" :key="m.path"><template v-if="i">, </template>{{ m.label.toLowerCase() }} not stated, <StateIt :fact="m" /></template>.</p>
      <p class="do noprint">
        <button v-if="found.keep.length" class="button main" type="button" @click="apply">{{ found.applied ? 'Fit again: let the verdicts go by all of these' : 'Let the verdicts go by it' }}</button>
        <button v-if="found.applied" class="button" type="button" @click="off">Take it off again</button>
        <span v-if="found.applied" class="mute">{{ found.keep.length ? 'They go by an earlier fit' : 'The verdicts go by it' }}, measured here{{ found.applied_at ? ` since ${found.applied_at.slice(0, 10)}` : '' }}.</span>
        <span v-if="found.gone.length" class="mute">Changed since: {{ found.gone.join(', ') }}; that part is a guess again.</span>
      </p>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    </header>
    <TwoColumns share="1.35fr">
      <template #left>
        <section class="card pad">
          <div class="cardhead"><h2 class="label">Read, beside what is foretold</h2><span v-if="rows.length" class="mute key">line: by the facts · bar: fitted · ring: read</span></div>
          <ul v-if="rows.length" class="rows"><TakenRow v-for="t in rows" :key="t.id" :taken="t" /></ul>
          <p v-else class="mute">What the gauge shows, warm, once nothing moves for a minute, and what the machine does. A log of a drive brings many at once: <button class="textlink" type="button" @click="$emit('drives')">bring one in</button>.</p>
          <button v-if="!adding" class="button noprint" :class="{ main: !rows.length }" type="button" @click="adding = true">Take a reading</button>
          <TakeForm v-else @done="adding = false" />
        </section>
      </template>
      <template #right>
        <section v-if="found.useful.length" class="card pad">
          <h2 class="label">Read next</h2>
          <p class="mute">Warm, until nothing moves for a minute.<template v-if="shift"> In doubt: {{ shift.name.toLowerCase() }}{{ shift.duty ? `, ${shift.duty.toLowerCase()}` : '' }}.</template></p>
          <ol><li v-for="u in found.useful" :key="u.sentence">{{ u.sentence }}</li></ol>
        </section>
        <LearnedCard v-if="found.counted" :found="found" />
        <section v-if="found.drift.length" class="card pad">
          <h2 class="label">Drift</h2>
          <p v-for="d in found.drift" :key="d.what" :class="{ over: d.told }">{{ d.label }} {{ d.told ? `wanders by ${words.show(d.slope, 'temperature_difference')} in a hundred days against what is foretold: look for fouling, a slack belt, a weak cap.` : `does not wander: ${words.show(d.slope, 'temperature_difference')} ± ${words.show(1.96 * d.sd, 'temperature_difference')} in a hundred days.` }}</p>
        </section>
      </template>
    </TwoColumns>
  </template>
</template>

<style scoped>
h1 {
  font: 600 22px/1.25 var(--words);
}
header {
  display: grid;
  gap: 4px;
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin-top: 4px;
}
.key {
  font: 500 13px var(--labels);
}
.rows {
  margin: 0 0 10px;
  padding: 0;
}
ol {
  margin: 4px 0 0;
  padding-left: 18px;
}
li + li {
  margin-top: 6px;
}
</style>
