<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { Fold } from '../../../ui/lazy'
import { optionsOf } from '../../../ui/options'
import Pick from '../../../ui/Pick.vue'
import { freshId, hours, workOf } from '../logic'
import { useOrder } from '../useOrder'
import TaskRow from './TaskRow.vue'
import { dayOf } from '../../../ui/day'

/** All tasks, stretch by stretch; one's own are added here, what is not on this build comes back here. */
const order = useOrder()
const build = useBuild()
const open = ref<Record<string, boolean>>({})
const stages = computed(() => Object.entries(order.order?.stages ?? {}).flatMap(([id, title]) => {
  const tasks = order.tasks.filter((t) => t.stage === id)
  const left = tasks.filter((t) => t.state !== 'done')
  const done = tasks.filter((t) => t.state === 'done')
  return tasks.length ? [{ id, title, tasks, left, done, hours: left.reduce((n, t) => n + t.hours.likely, 0) }] : []
}))
/** The stretch in hand stands open. */
const current = computed(() => stages.value.find((s) => s.left.some((t) => t.state === 'ready'))?.id)
const isOpen = (id: string) => open.value[id] ?? id === current.value
const kept = computed(() => workOf(build.document).tasks ?? [])
const out = computed(() => kept.value.filter((t) => t.left_out))
const named = (id: string) => kept.value.find((t) => t.id === id)?.title ?? id.replaceAll('_', ' ')
const finish = (ids: string[]) => order.send(ids.map((id) => line(`work.tasks.${id}.done`, dayOf(new Date()))))

const { send, trouble } = useSending()
const title = ref('')
const stage = ref('mockup')
const before = ref('')
const behind = ref('')
const tasks = computed(() => Object.fromEntries(order.tasks.map((t) => [t.id, t.title])))
async function add(): Promise<void> {
  if (!title.value.trim()) return
  const id = freshId(title.value, [...order.byId.keys(), ...kept.value.map((t) => t.id)])
  const at = `work.tasks.${id}`
  const next = before.value ? kept.value.find((t) => t.id === before.value) : undefined
  const edits = [line(`${at}.title`, title.value.trim()), line(`${at}.stage`, stage.value), ...(behind.value ? [line(`${at}.after`, behind.value)] : [])]
  if (before.value) edits.push(line(`work.tasks.${before.value}.after`, [...(next?.after ?? []), id].join(', ')))
  if (await send(...edits)) title.value = ''
}
</script>

<template>
  <section v-for="s in stages" :key="s.id" class="card pad stage">
    <Fold :open="isOpen(s.id)" @update:open="(now) => (open[s.id] = now)">
      <template #title><span class="label">{{ s.title }}</span> <span class="figure">{{ s.left.length ? `${s.tasks.length - s.left.length} of ${s.tasks.length} done, ${hours(s.hours)} left` : 'done' }}</span></template>
      <ul><TaskRow v-for="task in s.left" :key="task.id" :task="task" /></ul>
      <Fold v-if="s.left.length && s.done.length" :title="`${s.done.length} done`"><ul><TaskRow v-for="task in s.done" :key="task.id" :task="task" /></ul></Fold>
      <ul v-else><TaskRow v-for="task in s.done" :key="task.id" :task="task" /></ul>
      <button v-if="s.left.length > 1" class="textlink noprint" type="button" @click="finish(s.left.map((t) => t.id))">All of {{ s.title.toLowerCase() }} is done</button>
    </Fold>
  </section>
  <form class="card pad own noprint" @submit.prevent="add">
    <h2 class="label">A task of your own</h2>
    <label><span class="mute">Task</span><input v-model="title" class="input" maxlength="80" aria-label="Title of your own task" /></label>
    <label><span class="mute">Stretch</span><Pick v-model="stage" label="Stretch of your own task" :options="optionsOf(order.order?.stages)" /></label>
    <label><span class="mute">Comes after</span><Pick v-model="behind" label="Your own task comes after" :options="[{ value: '', label: 'nothing' }, ...optionsOf(tasks)]" /></label>
    <label><span class="mute">Must be done before</span><Pick v-model="before" label="Your own task must be done before" :options="[{ value: '', label: 'nothing' }, ...optionsOf(tasks)]" /></label>
    <button class="button" type="submit">Add it</button>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </form>
  <section v-if="out.length" class="card pad noprint">
    <h2 class="label">Not on this build</h2>
    <ul><li v-for="t in out" :key="t.id" class="back"><span>{{ named(t.id) }}</span><button class="textlink" type="button" :aria-label="`bring back: ${named(t.id)}`" @click="order.set(`work.tasks.${t.id}.left_out`, null)">bring back</button></li></ul>
  </section>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
}
.stage {
  padding-top: 2px;
  padding-bottom: 2px;
}
.own {
  display: grid;
  grid-template-columns: minmax(0, 2fr) repeat(3, minmax(0, 1fr)) auto;
  gap: 8px 12px;
  align-items: end;
}
.own h2,
.own .over {
  grid-column: 1 / -1;
}
.own label,
.own label > :last-child {
  display: block;
  width: 100%;
}
.back {
  display: flex;
  justify-content: space-between;
  list-style: none;
  padding: 4px 0;
}
@media (max-width: 720px) {
  .own {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
