<script setup lang="ts">
import { computed, ref } from 'vue'
import { hours, said, short, type Task } from '../logic'
import { usePhotographs } from '../../../stores/photographs'
import { useOrder } from '../useOrder'
import BreakPanel from './BreakPanel.vue'
import TaskDetail from './TaskDetail.vue'

/** A task with its box: ticked, proved and signed where it is a hold, told what it costs where it comes too soon. */
const props = defineProps<{ task: Task; brief?: boolean }>()
const order = useOrder()
const photos = usePhotographs()
const asking = ref<'' | 'sign' | 'break'>('')
const signer = ref('')
const opened = ref(false)
const done = computed(() => props.task.state === 'done')
/** What it hides is photographed before: nobody sees it again. */
const due = computed(() => props.task.covers !== '' && props.task.state === 'ready' && !photos.countOf(`tasks.${props.task.id}`))
const kept = computed(() => order.ticks.has(props.task.id))
const opens = computed(() => props.task.opens.map((id) => order.byId.get(id)).filter((t) => t !== undefined && t.state !== 'done' && t.held_tasks.length <= 1).map((t) => short(t?.title ?? '').toLowerCase()))
const under = computed(() => (done.value ? `done ${said(props.task.done)}${props.task.signed ? `, signed by ${props.task.signed}` : ''}` : props.brief && opens.value.length ? `opens ${opens.value.join(', ')}` : props.task.why))

function press(): void {
  if (done.value) void order.untick(props.task.id)
  else if (props.task.state === 'held' && props.task.held_tasks.length) asking.value = 'break'
  else if (props.task.hold) asking.value = 'sign'
  else void order.tick([props.task.id])
}
function finish(ids: string[]): void {
  asking.value = ''
  void order.tick(ids)
}
function sign(): void {
  asking.value = ''
  void order.tick([props.task.id], signer.value.trim())
}
</script>

<template>
  <li class="task" :class="{ done, held: task.state === 'held' }">
    <div class="line">
      <button class="box" type="button" role="checkbox" :aria-checked="done" :aria-label="task.title" @click="press"><span class="mark" :class="{ hold: task.hold }">{{ done ? '✓' : '' }}</span></button>
      <button class="title" type="button" :aria-expanded="opened" @click="opened = !opened"><b>{{ brief ? short(task.title) : task.title }}</b><span v-if="task.hold && !done" class="chip lock">lock</span><span class="mute under">{{ under }}</span></button>
      <span class="figure many">{{ task.hands > 1 ? 'two people' : '' }}</span>
      <span class="figure time">{{ hours(task.hours.likely) }}</span>
    </div>
    <p v-if="due" class="due"><button class="textlink" type="button" @click="opened = true">Photograph first</button> {{ task.covers }}: hidden afterwards.</p>
    <p v-if="kept" class="mute kept" role="status">Kept here until the server takes it.</p>
    <BreakPanel v-if="asking === 'break'" :task="task" @leave="asking = ''" @done="finish" />
    <form v-if="asking === 'sign'" class="sign" @submit.prevent="sign">
      <p><b>To prove:</b> {{ task.hold }}</p>
      <label><span class="mute">Proved by</span><input v-model="signer" class="input" maxlength="60" required :aria-label="`Who proved: ${task.title}`" /></label>
      <p class="do"><button class="button main" type="submit">Proved: open the lock</button><button class="textlink" type="button" @click="asking = ''">Leave it shut</button></p>
    </form>
    <TaskDetail v-if="opened" :task="task" :brief="brief" />
  </li>
</template>

<style scoped>
.task {
  border-bottom: 1px solid var(--line);
  list-style: none;
}
.line {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) auto 52px;
  align-items: center;
  gap: 8px;
}
.box,
.title {
  background: none;
  border: 0;
  padding: 0;
  cursor: pointer;
  text-align: left;
}
.box {
  min-height: 44px;
  display: grid;
  place-items: center;
}
.mark {
  width: 20px;
  height: 20px;
  border: 1.5px solid var(--mute);
  border-radius: 4px;
  display: grid;
  place-items: center;
  font: 600 15px/1 var(--labels);
  background: var(--card);
}
.mark.hold {
  border-radius: 0;
  border-width: 2px;
  border-color: var(--ink);
}
.held .mark {
  border-style: dashed;
}
.done .mark {
  background: var(--holds);
  border-color: var(--holds);
  color: var(--card);
}
.title {
  padding: 6px 0;
}
.title b {
  font-weight: 500;
}
.under {
  display: block;
  font-size: 13.5px;
  line-height: 1.3;
}
.done .title b {
  color: var(--mute);
}
.lock {
  margin-left: 8px;
}
.many {
  font-weight: 500;
  font-size: 14px;
  white-space: nowrap;
}
.time {
  text-align: right;
  white-space: nowrap;
}
.due {
  font-size: 14px;
  padding: 0 0 6px 42px;
}
.kept {
  font-size: 13.5px;
  padding: 0 0 6px 42px;
}
.sign {
  border-left: 4px solid var(--ink);
  background: var(--glass);
  padding: 9px 12px;
  margin-bottom: 8px;
  display: grid;
  gap: 8px;
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
@media (max-width: 720px) {
  .line {
    grid-template-columns: 48px minmax(0, 1fr) 52px;
    gap: 4px;
  }
  .many {
    display: none;
  }
  .box {
    min-height: 56px;
    min-width: 48px;
  }
  .mark {
    width: 28px;
    height: 28px;
    font-size: 20px;
  }
  .title {
    min-height: 56px;
  }
}
</style>
