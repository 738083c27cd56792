<script setup lang="ts">
import { computed } from 'vue'
import { useStart } from '../useStart'
import CauseBars from './CauseBars.vue'
import NextCheck from './NextCheck.vue'
import StateIt from './StateIt.vue'

/** What is wrong: what is noticed, what it may be, and the one thing to look at next. */
const start = useStart()
const symptoms = computed(() => start.plan?.symptoms ?? [])
const own = computed(() => symptoms.value.find((s) => s.id === start.record.symptom))
const faults = computed(() => (start.faults?.symptom === start.record.symptom ? start.faults : null))
const first = computed(() => faults.value?.next[0])
const others = computed(() => faults.value?.next.slice(1) ?? [])
const ordered = computed(() => faults.value?.ordered ?? own.value?.steps ?? [])
const again = () => {
  for (const d of faults.value?.done ?? []) void start.remove('looks', `${faults.value?.group}__${d.id}`)
}
const settled = computed(() => faults.value && (faults.value.answer === 'found' || (faults.value.answer === 'sound' && (first.value?.tells ?? 0) < 0.05)))
const about = (n: number) => Math.max(1, Math.round(n))
</script>

<template>
  <section v-if="!own">
    <header><h1>What is noticed?</h1><p class="under">Each leads to the one thing to look at next.</p></header>
    <ul class="grid"><li v-for="s in symptoms" :key="s.id"><button type="button" class="card" :class="{ danger: s.id === 'runaway' }" @click="start.set('symptom', s.id)"><b>{{ s.label }}</b><span class="mute">{{ s.worked ? 'worked on this build' : 'checks in order' }}</span></button></li></ul>
  </section>
  <div v-else class="found">
    <p class="back"><button class="textlink" type="button" @click="start.set('symptom', null)">something else</button><span class="label">{{ own.label }}</span></p>
    <section v-if="own.at_once" class="atonce" role="note"><b>At once:</b> {{ own.at_once }}</section>
    <template v-if="own.worked">
      <p v-if="start.faultsTrouble" class="over" role="alert">{{ start.faultsTrouble }} What is looked at is kept; the next check comes when it answers again.</p>
      <template v-if="faults">
        <header v-if="faults.worked"><h1 :class="{ over: faults.answer === 'strange' }">{{ faults.says }}</h1><p class="under">{{ faults.under }}</p></header>
        <section v-if="faults.missing.length" class="card pad"><p><b>It cannot be worked yet.</b> <template v-for="m in faults.missing" :key="m.path">{{ m.label }} is not stated. <StateIt :fact="m" /></template></p></section>
        <div v-if="faults.worked" class="two">
          <div class="column">
            <NextCheck v-if="first && !settled" :key="first.id" :check="first" :group="faults.group" :open="faults.open" first />
            <section v-if="others.length" class="card list"><h2 class="label">{{ settled ? 'What could still be looked at' : 'Other checks' }}<span>about so many causes left</span></h2>
              <ul><li v-for="c in settled ? faults.next : others" :key="c.id"><details><summary><b>{{ c.label }}</b><span class="mute">{{ c.minutes < 1 ? 'half a minute' : `${c.minutes} min` }}{{ c.effort === 'apart' ? ' · takes it apart' : c.effort === 'tool' ? ' · a tool' : '' }}{{ c.danger ? ' · mind' : '' }}</span><span class="leaves figure">{{ about(c.leaves) }} of {{ about(faults.open) }}</span></summary><NextCheck :check="c" :group="faults.group" :open="faults.open" /></details></li></ul>
            </section>
          </div>
          <div class="column">
            <CauseBars :causes="faults.causes" :load="faults.load" :duty="faults.load_duty" />
            <section v-if="faults.done.length" class="card list"><h2 class="label">Looked at<button class="textlink" type="button" @click="again">begin again</button></h2>
              <ul><li v-for="d in faults.done" :key="d.id" class="row"><span>{{ d.label }}</span><b>{{ d.text }}</b><button class="textlink" type="button" :aria-label="`take out: ${d.label}`" @click="start.remove('looks', `${faults.group}__${d.id}`)">take out</button></li></ul>
            </section>
          </div>
        </div>
      </template>
      <p v-else-if="!start.faultsTrouble" class="mute">Working it with each fault…</p>
    </template>
    <section v-else class="card list">
      <h2 class="label">In this order<span>not worked by physics: the trade's order</span></h2>
      <ol><li v-for="(s, i) in ordered" :key="s.do" class="ordered"><b>{{ i + 1 }}. {{ s.do }}</b><span>Should be: {{ s.reads }}</span><span class="mute">If not: {{ s.otherwise }}</span></li></ol>
    </section>
  </div>
</template>

<style scoped>
h1 {
  font: 600 24px/1.2 var(--words);
}
.under {
  font-size: 17px;
  color: var(--mute);
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 8px;
  padding: 0;
  margin: 10px 0;
}
.grid li {
  list-style: none;
}
.grid button {
  display: grid;
  gap: 2px;
  width: 100%;
  min-height: 62px;
  padding: 10px 14px;
  text-align: left;
  font: inherit;
  color: inherit;
  cursor: pointer;
}
.grid .danger {
  border-left: 4px solid var(--over);
}
.found {
  display: grid;
  gap: 10px;
}
.back {
  display: flex;
  gap: 14px;
  align-items: baseline;
}
.atonce {
  background: var(--over-soft);
  border-left: 4px solid var(--over);
  padding: 10px 12px;
  font-size: 16px;
}
.two {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px;
  align-items: start;
}
.column {
  display: grid;
  gap: 12px;
}
.list {
  padding: 12px 0 0;
}
.list h2 {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 0 14px 8px;
}
.list h2 span {
  font-weight: 500;
  text-transform: none;
  letter-spacing: 0;
}
ul,
ol {
  margin: 0;
  padding: 0;
}
.list li {
  list-style: none;
  border-top: 1px solid var(--line);
}
summary {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 10px;
  padding: 9px 14px;
  min-height: 54px;
  cursor: pointer;
}
summary .mute {
  font-size: 13.5px;
  grid-column: 1;
}
.leaves {
  grid-column: 2;
  grid-row: 1 / 3;
  align-self: center;
  font-weight: 600;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 12px;
  padding: 9px 14px;
  align-items: baseline;
}
.ordered {
  display: grid;
  gap: 2px;
  padding: 10px 14px;
}
@media (max-width: 820px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
