<script setup lang="ts">
import { computed } from 'vue'
import { line, useBuild } from '../../../stores/build'
import Pick from '../../../ui/Pick.vue'
import { useSending } from '../../../station/useSending'
import PhotoStrip from '../../../station/PhotoStrip.vue'
import { hours, short, spanned, workOf, type Task } from '../logic'
import { stated } from '../../../ui/typed'
import { useOrder } from '../useOrder'
import OffFirst from './OffFirst.vue'

/** All of a task: what it waits for and why, what it needs, what is said of it; hours of one's own, a note. */
const props = defineProps<{ task: Task; brief?: boolean }>()
const order = useOrder()
const build = useBuild()
const path = (field: string) => `work.tasks.${props.task.id}.${field}`
const { send, trouble } = useSending()
/** Arcs of one's own, and those of the trade that this build goes without. */
const said = computed(() => workOf(build.document).tasks?.find((t) => t.id === props.task.id))
const mine = computed(() => said.value?.after ?? [])
const freed = computed(() => said.value?.free_of ?? [])
const name = (id: string) => short(order.byId.get(id)?.title ?? id)
const others = computed(() => [{ value: '', label: 'nothing more' }, ...order.tasks.filter((t) => t.id !== props.task.id && !props.task.after.some((a) => a.id === t.id)).map((t) => ({ value: t.id, label: t.title }))])
const put = (field: string, ids: string[]) => send(line(path(field), ids.join(', ') || null))
const wait = (id: string) => put('after', [...mine.value, id])
const things = computed(() => (order.order?.things ?? []).filter((t) => t.tasks.includes(props.task.id)))
const needs = computed(() => [...props.task.tools, ...props.task.materials])
const thing = (id: string) => order.order?.things.find((t) => t.id === id)
</script>

<template>
  <div class="detail">
    <p v-if="brief && task.why">{{ task.why }}</p>
    <p v-if="task.caution" class="caution">{{ task.caution }}</p>
    <dl>
      <template v-if="task.hold"><dt>Proves it</dt><dd>{{ task.hold }}</dd></template>
      <dt>Takes</dt><dd>{{ spanned(task.hours) }}<span v-if="!task.hours_stated" class="mute">, usual for such a task</span><template v-if="task.hands > 1">, {{ task.hands }} people</template><template v-if="task.lift">, the hoist</template><template v-if="task.lag_h">; then {{ hours(task.lag_h) }}: {{ task.lag_why || 'it dries' }}</template></dd>
      <template v-if="task.after.length"><dt>Comes after</dt><dd><span v-for="arc in task.after" :key="arc.id" class="arc" :class="{ mute: order.byId.get(arc.id)?.state === 'done' }">{{ short(arc.title) }}<template v-if="arc.why">: {{ arc.why }}</template> <button v-if="!task.own && !mine.includes(arc.id) && order.byId.get(arc.id)?.state !== 'done'" class="textlink noprint" type="button" :aria-label="`not here: ${short(arc.title)} before ${short(task.title)}`" @click="put('free_of', [...freed, arc.id])">not here</button></span></dd></template>
      <template v-if="task.held_things.length"><dt>Waits for</dt><dd><span v-for="id in task.held_things" :key="id" class="arc">{{ thing(id)?.label }}</span></dd></template>
      <template v-if="needs.length"><dt>Needs</dt><dd>{{ needs.join(', ') }}</dd></template>
      <template v-if="things.length"><dt>Parts</dt><dd>{{ [...new Set(things.map((t) => t.label))].join(', ') }}</dd></template>
      <template v-if="task.covers"><dt>Hides</dt><dd>{{ task.covers }}: photograph it before.</dd></template>
      <template v-if="task.state !== 'done'"><dt>Decides the end</dt><dd>in {{ Math.round(100 * task.decides) }} of 100 runs{{ task.decides - task.free_decides > 0.05 ? `; were hands no limit, in ${Math.round(100 * task.free_decides)}` : '' }}</dd></template>
      <template v-if="task.slack_h !== null && task.state !== 'done'"><dt>To spare</dt><dd>{{ task.slack_h > 0.1 ? `about ${hours(task.slack_h)} of work` : 'nothing: it moves the end' }}</dd></template>
    </dl>
    <OffFirst v-if="task.id === 'clear_way'" />
    <PhotoStrip :subject="`tasks.${task.id}`" :name="short(task.title)" />
    <div class="own">
      <label><span class="mute">Hours, least-likely-most</span><input class="input" maxlength="40" :placeholder="`${task.hours.low}-${task.hours.likely}-${task.hours.high} h`" :value="task.hours_stated ? `${task.hours.low}-${task.hours.likely}-${task.hours.high} h` : ''" :aria-label="`Hours of ${task.title}`" @change="order.set(path('hours'), stated($event))" /></label>
      <label class="wide"><span class="mute">Note</span><input class="input" maxlength="400" :value="task.note" :aria-label="`Note on ${task.title}`" @change="order.set(path('note'), stated($event))" /></label>
      <label class="noprint"><span class="mute">It also comes after</span><Pick :label="`${task.title} also comes after`" :options="others" model-value="" @update:model-value="(v) => v && wait(String(v))" /></label>
      <p v-if="trouble" class="over wide" role="alert">{{ trouble }}</p>
      <p v-if="mine.length || freed.length" class="wide noprint"><template v-for="id in mine" :key="id"><button class="textlink" type="button" :aria-label="`need not wait for ${name(id)}`" @click="put('after', mine.filter((m) => m !== id))">need not wait for {{ name(id) }}</button> </template><button v-for="id in freed" :key="id" class="textlink" type="button" :aria-label="`waits for ${name(id)} again`" @click="put('free_of', freed.filter((m) => m !== id))">waits for {{ name(id) }} again</button></p>
      <button class="textlink noprint" type="button" @click="order.set(path('left_out'), 'yes')">{{ task.own ? 'Take it off' : 'Not on this build' }}</button>
    </div>
  </div>
</template>

<style scoped>
.detail {
  padding: 2px 0 12px 42px;
  display: grid;
  gap: 8px;
}
.caution {
  border-left: 3px solid var(--brass-line);
  padding-left: 9px;
}
dl {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  gap: 4px 10px;
  margin: 0;
}
dt {
  color: var(--mute);
}
dd {
  margin: 0;
}
.arc {
  display: block;
}
.own {
  display: grid;
  grid-template-columns: 200px minmax(0, 1fr);
  gap: 8px 12px;
  align-items: end;
}
.wide {
  grid-column: 1 / -1;
}
@media (max-width: 720px) {
  .detail {
    padding-left: 4px;
  }
  .own {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
