<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed } from 'vue'
import Segments from '../../../ui/Segments.vue'
import { useOrder } from '../useOrder'
import TaskRow from './TaskRow.vue'

/** What can be begun now: all it waits for is done and there. */
const order = useOrder()
const WHO = [{ value: 'alone', label: 'Alone' }, { value: 'two', label: 'Two of us' }]
const who = useSessionStorage('order-who', 'alone')
const ready = computed(() => order.tasks.filter((t) => t.state === 'ready'))
const shown = computed(() => ready.value.filter((t) => who.value === 'two' || t.hands === 1).sort((a, b) => b.free_decides - a.free_decides || (a.slack_h ?? 0) - (b.slack_h ?? 0)))
const hidden = computed(() => ready.value.length - shown.value.length)
</script>

<template>
  <section class="card pad">
    <div class="cardhead"><h2 class="label">Can be done today</h2><Segments v-model="who" label="Who works" :options="WHO" /></div>
    <ul class="list"><TaskRow v-for="task in shown" :key="task.id" :task="task" brief /></ul>
    <p v-if="!shown.length" class="mute">{{ hidden ? 'Nothing for one alone.' : 'Nothing: all that is left waits for something.' }}</p>
    <p v-if="hidden" class="mute more">{{ hidden }} more with two.</p>
  </section>
</template>

<style scoped>
.list {
  margin: 4px 0 0;
  padding: 0;
}
.more {
  padding-top: 6px;
}
</style>
