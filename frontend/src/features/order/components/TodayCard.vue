<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import Segments from '../../../ui/Segments.vue'
import { useOrder } from '../useOrder'
import TaskRow from './TaskRow.vue'

/** What can be begun now: all it waits for is done and there. */
const order = useOrder()
const WHO = [{ value: 'alone', label: 'Alone' }, { value: 'two', label: 'Two of us' }]
const who = useSessionStorage('order-who', 'alone')
const ready = computed(() => order.tasks.filter((t) => t.state === 'ready'))
const shown = computed(() => ready.value.filter((t) => who.value === 'two' || t.hands === 1).sort((a, b) => b.free_decides - a.free_decides || (a.slack_h ?? 0) - (b.slack_h ?? 0)))
const FEW = 4
const all = ref(false)
const listed = computed(() => (all.value ? shown.value : shown.value.slice(0, FEW)))
const hidden = computed(() => ready.value.length - shown.value.length)
</script>

<template>
  <section class="card pad">
    <div class="cardhead"><h2 class="label">Can be done today</h2><Segments v-model="who" label="Who works" :options="WHO" /></div>
    <ul class="list"><TaskRow v-for="task in listed" :key="task.id" :task="task" brief /></ul>
    <p v-if="!shown.length" class="mute">{{ hidden ? 'Nothing for one alone.' : 'Nothing: all that is left waits for something.' }}</p>
    <p v-if="hidden || shown.length > FEW" class="mute more"><button v-if="shown.length > FEW" class="textlink noprint" type="button" @click="all = !all">{{ all ? 'the first few' : `all ${shown.length}` }}</button><span v-if="hidden">{{ hidden }} more with two</span></p>
  </section>
</template>

<style scoped>
.list {
  margin: 4px 0 0;
  padding: 0;
}
.more {
  display: flex;
  gap: 14px;
  align-items: center;
  padding-top: 6px;
}
</style>
