<script setup lang="ts">
import { computed } from 'vue'
import { useSearch } from '../../../station/useSearch'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { freshId } from '../logic'
import { useOrder } from '../useOrder'

/** What Fit says must be off before the engine goes in the way that was decided; each becomes a task by one press. */
const order = useOrder()
const { found, progress, failed, missing, ask } = useSearch('fit/way')
const { send, trouble } = useSending()
const chosen = (name: string) => order.order?.choices.find((c) => c.name === name)?.value
const way = computed(() => found.value?.ways.find((w) => w.side === (chosen('way_in') === 'below' ? 'below' : 'above') && w.gearbox === (chosen('gearbox') !== 'after')))
const taken = (name: string) => order.tasks.some((t) => t.title === `Off first: ${name}`)
const rows = computed(() => (way.value?.off ?? []).filter((name) => !taken(name)))
function add(name: string): void {
  const id = freshId(`off ${name}`, [...order.byId.keys()])
  const before = order.byId.get('look_round')
  const own = before?.after.filter((a) => a.why === 'the builder\'s own').map((a) => a.id) ?? []
  void send(line(`work.tasks.${id}.title`, `Off first: ${name}`), line(`work.tasks.${id}.stage`, 'finish'), line(`work.tasks.${id}.hours`, '0.25-0.5-1 h'), line('work.tasks.look_round.after', [...own, id].join(', ')))
}
</script>

<template>
  <div class="off noprint">
    <button v-if="!found && !progress" class="textlink" type="button" @click="ask">What must be off first, by Fit</button>
    <p v-if="progress" class="mute" role="status">Fit looks for the way in: {{ progress.done }} of {{ progress.of }}.</p>
    <p v-if="failed" class="over" role="alert">Fit could not look for it.</p>
    <p v-if="missing.length" class="mute">Fit is not told enough of the engine and the bay yet.</p>
    <template v-if="way">
      <p>{{ way.goes ? 'It goes that way' : 'By Fit it does not go that way' }}{{ way.off.length ? `, with these off: ${way.off.join(', ')}.` : ', with nothing off.' }}</p>
      <p v-if="rows.length" class="acts"><button v-for="name in rows" :key="name" class="button" type="button" @click="add(name)">Make it a task: {{ name }}</button></p>
    </template>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
