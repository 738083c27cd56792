<script setup lang="ts">
import { computed, ref } from 'vue'
import { byDay, heldBy, said, short } from '../logic'
import { useOrder } from '../useOrder'

/** What cannot be begun yet, and by what it is held: a lock, a task, a thing that is not there. */
const order = useOrder()
const FEW = 5
const all = ref(false)
const held = computed(() => byDay(order.tasks).filter((t) => t.state === 'held').map((task) => ({ task, by: heldBy(task, order.tasks, order.order?.things ?? []) })))
/** First those that wait for a thing, then the next by their day. */
const shown = computed(() => (all.value ? held.value : [...held.value].sort((a, b) => Number(b.by?.kind === 'thing') - Number(a.by?.kind === 'thing')).slice(0, FEW)))
const MARKS = { thing: 'dam', hold: 'lock', task: 'after' }
</script>

<template>
  <section class="card pad">
    <div class="cardhead"><h2 class="label">Held, and by what</h2><button v-if="held.length > FEW" class="textlink noprint" type="button" @click="all = !all">{{ all ? 'the next few' : `all ${held.length}` }}</button></div>
    <ul>
      <li v-for="{ task, by } in shown" :key="task.id">
        <span>{{ short(task.title) }}</span>
        <span class="by" :class="{ over: by?.late }"><i v-if="by" :class="MARKS[by.kind]" aria-hidden="true" />{{ by?.words }}</span>
        <span class="figure day" :class="{ over: by?.late }">{{ said(task.day) }}</span>
      </li>
    </ul>
    <p v-if="!held.length" class="mute">Nothing is held.</p>
  </section>
</template>

<style scoped>
ul {
  margin: 4px 0 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 8px;
  align-items: baseline;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
  list-style: none;
}
.by {
  color: var(--mute);
  font-size: 14px;
}
.by.over {
  color: var(--over);
}
.day {
  font-size: 14.5px;
  white-space: nowrap;
}
i {
  display: inline-block;
  width: 10px;
  height: 12px;
  margin-right: 7px;
  vertical-align: -1px;
}
.dam {
  background: repeating-linear-gradient(135deg, var(--over) 0 2px, var(--over-soft) 2px 4px);
  border: 1px solid var(--over);
}
.lock {
  width: 8px;
  height: 8px;
  border: solid var(--ink);
  border-width: 0 0 2.5px 2.5px;
  transform: rotate(45deg);
}
.after {
  border: 1.5px solid var(--mute);
  border-radius: 2px;
}
</style>
