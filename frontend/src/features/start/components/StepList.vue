<script setup lang="ts">
import { computed } from 'vue'
import CautionNote from '../../../ui/CautionNote.vue'
import { Fold } from '../../../ui/lazy'
import { clock, spoken, type Step } from '../logic'
import { useEngine } from '../useEngine'
import { useStart } from '../useStart'
import ListCard from './ListCard.vue'
import StateIt from '../../../station/StateIt.vue'

/** The steps in order; the next one is open, with its clock's button. */
const start = useStart()
const engine = useEngine()
const shut = computed(() => start.shut.length)
const begin = (step: Step) => void start.begin(step, engine.on && step.runs ? engine.pace : 1)
const spent = (goes: number, step: Step) => goes >= step.tries && step.tries > 1
const timed = (step: Step) => (step.least !== null || step.most !== null)
const length = (seconds: number) => (seconds >= 120 && seconds % 60 === 0 ? `${seconds / 60} min` : spoken(seconds))
/** What the run before left to be looked at. */
const before = computed(() => {
  const at = start.steps.findIndex((s) => s.step.id === start.next?.step.id)
  const last = start.steps[at - 1]?.step
  return last?.runs ? last.look : []
})
const lasts = (step: Step) => (step.most !== null && step.least !== null && step.most > step.least && step.runs ? `${length(step.least).replace(/ (s|min)$/, '')} to ${length(step.most)}` : step.most !== null ? length(step.most) : step.least !== null ? length(step.least) : '')
</script>

<template>
  <ListCard title="Step by step">
    <ol>
      <li v-for="{ step, goes, done } in start.steps" :key="step.id" :class="{ done, next: start.next?.step.id === step.id }">
        <div class="line"><span class="tick" aria-hidden="true">{{ done ? '✓' : '' }}</span><b>{{ step.label }}</b><span class="mute lasts">{{ goes ? `${goes} ${goes === 1 ? 'go' : 'goes'}` : lasts(step) }}</span></div>
        <div v-if="start.next?.step.id === step.id" class="in">
          <p>{{ step.do }}</p>
          <Fold v-if="step.missing.length + step.rests.length" :title="`Rests on ${step.missing.length + step.rests.length === 1 ? 'one thing' : `${step.missing.length + step.rests.length} things`} nobody stated`">
            <ul class="look"><li v-for="f in [...step.missing, ...step.rests]" :key="f.path">{{ f.label }}{{ f.shown ? `: ${f.shown} taken` : ': not known' }} <StateIt :fact="f" /></li></ul>
          </Fold>
          <CautionNote v-if="step.caution" :text="step.caution" />
          <p v-if="before.length"><b>Before it goes on, look:</b> {{ before.join('; ') }}.</p>
          <ul v-if="step.look.length && !step.runs" class="look"><li v-for="l in step.look" :key="l">{{ l }}</li></ul>
          <p v-if="spent(goes, step)" class="over" role="alert">{{ goes }} goes and not there: stop. See what is wrong before it is tried again.</p>
          <p v-if="shut" class="shut">{{ step.label }}: {{ shut === 1 ? 'a lock is' : `${shut} locks are` }} still shut</p>
          <p v-else-if="start.rests > 0" class="rest" role="timer">Rest {{ clock(start.rests) }}<button class="textlink" type="button" @click="begin(step)">start all the same</button></p>
          <div v-else class="acts"><button v-if="timed(step)" class="button main big" type="button" @click="begin(step)">Start {{ lasts(step) }}</button><button class="button big" type="button" @click="start.done(step)">{{ timed(step) ? 'It is done' : 'Done' }}</button></div>
        </div>
      </li>
    </ol>
  </ListCard>
</template>

<style scoped>
ol > li {
  padding: 10px 14px;
}
.next {
  border-left: 4px solid var(--brass-line);
}
.line {
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.tick {
  width: 14px;
  color: var(--holds);
}
.done b {
  font-weight: 500;
  color: var(--mute);
}
.lasts {
  margin-left: auto;
  font: 600 14px var(--labels);
}
.in {
  padding: 4px 0 4px 24px;
  display: grid;
  gap: 8px;
}
.look {
  margin: 0;
  padding-left: 18px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.big {
  min-height: 48px;
  font-size: 17px;
  flex: 1 1 150px;
}
.shut {
  border: 1.5px dashed var(--mute);
  border-radius: 4px;
  padding: 12px;
  text-align: center;
  color: var(--mute);
}
.rest {
  display: flex;
  gap: 14px;
  align-items: baseline;
  font: 600 22px var(--labels);
}
@media (max-width: 820px) {
  .in {
    padding-left: 0;
  }
}
</style>
