<script setup lang="ts">
import { computed, ref } from 'vue'
import { breaksNow, hours, short, type Task } from '../logic'
import { useOrder } from '../useOrder'

/** Ticked before what comes first: what that costs, said before it is taken. */
const props = defineProps<{ task: Task }>()
const emit = defineEmits<{ leave: []; done: [ids: string[]] }>()
const order = useOrder()
const broken = computed(() => breaksNow(props.task, order.tasks))
const worst = computed(() => broken.value[0])
const more = ref(false)
</script>

<template>
  <div class="break" role="alert">
    <p v-if="worst"><b>{{ short(worst.title) }}: not done.</b> <template v-if="worst.undo_h > 0">To do it after all costs {{ hours(worst.undo_h) }} more{{ worst.redone.length ? `: ${worst.redone.map(short).join(', ').toLowerCase()} undone and done again` : ', where it stands by then' }}. </template><template v-if="worst.why">{{ worst.why[0]?.toUpperCase() }}{{ worst.why.slice(1) }}. </template><template v-if="worst.lost">At stake: {{ worst.lost }}. </template>Doing it takes {{ hours(worst.minutes / 60) }}.</p>
    <ul v-if="more">
      <li v-for="b in broken.slice(1)" :key="b.missing">{{ short(b.title) }}<template v-if="b.why">: {{ b.why }}</template><template v-if="b.undo_h > 0">, {{ hours(b.undo_h) }}</template><template v-if="b.lost">; at stake: {{ b.lost }}</template></li>
    </ul>
    <p class="do">
      <button class="button main" type="button" @click="emit('leave')">Leave open</button>
      <button class="button" type="button" @click="emit('done', [...broken.map((b) => b.missing), task.id])">{{ broken.length > 1 ? `All ${broken.length} are done too` : 'It is done too' }}</button>
      <button class="textlink" type="button" @click="emit('done', [task.id])">Tick it, and keep telling me</button>
      <button v-if="broken.length > 1 && !more" class="textlink" type="button" @click="more = true">{{ broken.length - 1 }} more not done</button>
    </p>
  </div>
</template>

<style scoped>
.break {
  background: var(--over-soft);
  border-left: 4px solid var(--over);
  padding: 9px 12px;
  margin: 0 0 8px;
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin-top: 8px;
}
ul {
  margin: 6px 0 0;
  padding-left: 18px;
}
</style>
