<script setup lang="ts">
import { computed } from 'vue'
import { useStart } from '../useStart'
import CauseBars from './CauseBars.vue'
import ListCard from './ListCard.vue'
import NextCheck from './NextCheck.vue'
import StateIt from '../../../station/StateIt.vue'
import TwoColumns from '../../../ui/TwoColumns.vue'

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
        <TwoColumns v-if="faults.worked">
          <template #left>
            <NextCheck v-if="first && !settled" :key="first.id" :check="first" :group="faults.group" :open="faults.open" first />
            <ListCard v-if="others.length" :title="settled ? 'What could still be looked at' : 'Other checks'" aside="about so many causes left">
              <ul><li v-for="c in settled ? faults.next : others" :key="c.id"><details><summary><b>{{ c.label }}</b><span class="mute">{{ c.minutes < 1 ? 'half a minute' : `${c.minutes} min` }}{{ c.effort === 'apart' ? ' · takes it apart' : c.effort === 'tool' ? ' · a tool' : '' }}{{ c.danger ? ' · mind' : '' }}</span><span class="leaves figure">{{ about(c.leaves) }} of {{ about(faults.open) }}</span></summary><NextCheck :check="c" :group="faults.group" :open="faults.open" /></details></li></ul>
            </ListCard>
          </template>
          <template #right>
            <CauseBars :causes="faults.causes" :load="faults.load" :duty="faults.load_duty" />
            <ListCard v-if="faults.done.length" title="Looked at"><template #aside><button class="textlink" type="button" @click="again">begin again</button></template>
              <ul><li v-for="d in faults.done" :key="d.id" class="row"><span>{{ d.label }}</span><b>{{ d.text }}</b><button class="textlink" type="button" :aria-label="`take out: ${d.label}`" @click="start.remove('looks', `${faults.group}__${d.id}`)">take out</button></li></ul>
            </ListCard>
          </template>
        </TwoColumns>
      </template>
      <p v-else-if="!start.faultsTrouble" class="mute">Working it with each fault…</p>
    </template>
    <ListCard v-else title="In this order" aside="not worked by physics: the trade's order">
      <ol><li v-for="(s, i) in ordered" :key="s.do" class="ordered"><b>{{ i + 1 }}. {{ s.do }}</b><span>Should be: {{ s.reads }}</span><span class="mute">If not: {{ s.otherwise }}</span></li></ol>
    </ListCard>
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
</style>
