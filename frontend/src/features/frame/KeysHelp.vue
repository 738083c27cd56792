<script setup lang="ts">
import Dialog from '../../ui/Dialog.vue'
import { BENCH, STOPS } from '../stations'
import { DIGITS } from './useKeys'

const open = defineModel<boolean>('open', { required: true })

const KEYS = [
  ['0', 'bench'],
  [`1 … ${Math.min(DIGITS, STOPS.length)}`, 'the places in the order of the rail'],
  ['g, then a letter', [BENCH, ...STOPS].map((s) => `${s.key} ${s.title.toLowerCase()}`).join(', ')],
  [', and .', 'the station before, the next one'],
  ['f', 'find a fact, check or step by name'],
  ['u', 'the next units'],
  ['w', 'the working'],
  ['i', 'what could stand there instead'],
  ['e', 'how the focused fact is known'],
  ['z and Z', 'undo, redo'],
  ['?', 'this list'],
] as const
const DRAWN = [
  ['the glass', 'the level is what is asked, the dark tick what is there; over the tick it is short'],
  ['100 %', 'the limit itself: what is damaged, dangerous or against the law beyond it'],
  ['the whisker', '90 of 100 cases lie between its ends, all facts drawn within how well they are known'],
  ['the bar', 'the power at which that part gives out; the brass line is the power you want'],
  ['tape, sheet, similar, guess', 'how a fact is known: the surer, the narrower its whisker; tap it to change it'],
  ['rule', 'nobody stated it: taken as usual for such an engine or machine'],
  ['? and dashed', 'short only by what nobody stated: state it, and it is judged'],
  ['a grey bar on a scale', 'a cost: it works, and takes power, fuel or current'],
] as const
</script>

<template>
  <Dialog v-model:open="open" title="Keys and signs">
  <h3 class="label">Keys</h3>
  <dl>
    <template v-for="[key, text] in KEYS" :key="key">
      <dt class="figure">{{ key }}</dt>
      <dd>{{ text }}</dd>
    </template>
  </dl>
  <h3 class="label">What is drawn</h3>
  <dl class="drawn">
    <template v-for="[what, text] in DRAWN" :key="what">
      <dt>{{ what }}</dt>
      <dd>{{ text }}</dd>
    </template>
  </dl>
  </Dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 6px;
}
.drawn {
  grid-template-columns: 150px 1fr;
}
.label {
  margin: 10px 0 4px;
}
dd {
  margin: 0;
}
</style>
