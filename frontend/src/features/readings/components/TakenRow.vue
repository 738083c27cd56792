<script setup lang="ts">
import { computed } from 'vue'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import type { Taken } from '../logic'
import BandGlass from './BandGlass.vue'

/** One reading: what it was, what is foretold of it, how far it counts. */
const props = defineProps<{ taken: Taken }>()
const words = useVocabulary()
const { send, trouble } = useSending()
const show = (si: number | undefined) => words.show(si, 'temperature')
const after = computed(() => props.taken.after)
const says = computed(() => {
  const t = props.taken
  if (t.why) return `Not fitted: ${t.why}.`
  if (t.outlier) return 'Stands apart from the rest: it hardly counts. Look at the gauge, or at what the machine did.'
  return ''
})
const name = computed(() => `${props.taken.label} ${props.taken.text}`)
const label = computed(() => `${name.value}${after.value ? `, foretold ${show(after.value.low)} to ${show(after.value.high)}` : ''}`)
const path = computed(() => `readings.taken.${props.taken.id}`)
</script>

<template>
  <li class="row" :data-reading="taken.id">
    <div class="line"><span><b>{{ taken.label }}</b> <span class="mute">{{ taken.doing }}</span></span><b class="figure">{{ taken.text || '—' }}</b></div>
    <BandGlass v-if="taken.before" :value="taken.value" :before="taken.before" :after="taken.after" :label="label" :out="taken.outlier" :left="taken.weight === null" />
    <div class="line small">
      <span class="mute"><template v-if="taken.before && after">foretold {{ show(taken.before.likely) }}, fitted {{ show(after.likely) }}</template><template v-if="taken.at"> · {{ taken.at.slice(0, 10) }}</template><template v-if="taken.rests"> · <span class="guess">{{ taken.rests }}: nobody said</span></template></span>
      <span class="noprint"><button class="textlink" type="button" :aria-label="`${taken.left_out ? 'count it' : 'do not count it'}: ${name}`" @click="send(line(`${path}.left_out`, taken.left_out ? null : 'yes'))">{{ taken.left_out ? 'count it' : 'do not count it' }}</button> <button class="textlink" type="button" :aria-label="`take out: ${name}`" @click="send(line(path, null, { action: 'remove' }))">take out</button></span>
    </div>
    <p v-if="says" class="small" :class="{ over: taken.outlier && !taken.why, mute: Boolean(taken.why) }">{{ says }}</p>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </li>
</template>

<style scoped>
.row {
  list-style: none;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
  display: grid;
  gap: 4px;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: baseline;
}
.small {
  font-size: 13.5px;
}
.small .textlink {
  white-space: nowrap;
}
.figure {
  white-space: nowrap;
}
.guess {
  border-bottom: 1px dashed var(--mute);
}
</style>
