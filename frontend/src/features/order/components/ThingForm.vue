<script setup lang="ts">
import { computed } from 'vue'
import KeepFields from '../../../station/KeepFields.vue'
import PhotoStrip from '../../../station/PhotoStrip.vue'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { Fold } from '../../../ui/lazy'
import { optionsOf } from '../../../ui/options'
import Pick from '../../../ui/Pick.vue'
import { short, type Thing } from '../logic'
import { useOrder } from '../useOrder'
import KitPanel from './KitPanel.vue'
import WaysPanel from './WaysPanel.vue'

/** How a thing on the list stands, what cannot begin without it, what it looks like. */
const props = defineProps<{ thing: Thing }>()
const order = useOrder()
const { send, trouble } = useSending()
const bought = computed(() => props.thing.path.startsWith('work.'))
/** A part's own, wherever it is shown. */
const subject = computed(() => props.thing.path.replace(/^work\./, '').replace(/\.keep$/, ''))
const kept = computed(() => ({ ...props.thing, from: props.thing.source }))
const tasks = computed(() => Object.fromEntries(order.tasks.map((t) => [t.id, short(t.title)])))
</script>

<template>
  <div class="form">
    <KeepFields :path="thing.path" :name="thing.label" :kept="kept" />
    <label v-if="bought"><span class="mute">Waits for it</span><Pick :label="`What waits for ${thing.label}`" :options="[{ value: '', label: 'nothing' }, ...optionsOf(tasks)]" :model-value="thing.tasks[0] ?? ''" @update:model-value="(v) => send(line(`${thing.path}.task`, String(v ?? '') || null))" /></label>
    <div class="wide"><PhotoStrip :subject="subject" :name="thing.label" /></div>
    <p v-if="thing.awaited && thing.tasks.length" class="wide mute">{{ thing.usual ? 'Nobody said when it comes: one to four weeks are taken. ' : '' }}It decides the end in {{ Math.round(100 * thing.decides) }} of 100 runs; a week later moves it {{ thing.week_days < 0.5 ? 'not at all' : `${Math.round(thing.week_days)} days` }}.</p>
    <div v-if="bought" class="wide"><KitPanel :thing="thing" /></div>
    <Fold v-if="bought" class="wide" title="Make it, buy it or send it out"><WaysPanel :thing="thing" /></Fold>
    <button v-if="bought" class="textlink" type="button" @click="send(line(thing.path, null, { action: 'remove' }))">Take it off the list</button>
    <p v-if="trouble" class="over wide" role="alert">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 6px 10px;
}
label,
label > :last-child {
  display: block;
  width: 100%;
}
.wide {
  grid-column: 1 / -1;
}
@media (max-width: 720px) {
  .form {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
