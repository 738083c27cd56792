<script setup lang="ts">
import { computed } from 'vue'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { optionsOf } from '../../../ui/options'
import AddLine from '../../../ui/AddLine.vue'
import Pick from '../../../ui/Pick.vue'
import { freshId, short } from '../logic'
import { stated } from '../../../ui/typed'
import { useOrder } from '../useOrder'

/** Fasteners: thread, length, class, torque, sealant; held against a gauge before they are ordered. */
const order = useOrder()
const { send, trouble } = useSending()
const rows = computed(() => order.order?.fasteners ?? [])
const FIELDS = [['count', 'How many', '4'], ['thread', 'Thread', 'M10'], ['length', 'Length', '35 mm'], ['torque', 'Torque', '45 Nm'], ['sealant', 'Sealant', 'thread lock']] as const
const GRADES = ['5.8', '8.8', '10.9', '12.9'].map((value) => ({ value, label: value }))
const tasks = computed(() => Object.fromEntries(order.tasks.map((t) => [t.id, short(t.title)])))
const add = (name: string) => send(line(`work.fasteners.${freshId(name, rows.value.map((f) => f.id))}.title`, name))
</script>

<template>
  <section class="card pad">
    <h2 class="label">Fasteners</h2>
    <p class="mute">A size off the web is often one too big: hold one against a gauge before ordering.</p>
    <div class="scroll" tabindex="0" role="region" aria-label="Fasteners">
      <table v-if="rows.length">
        <thead><tr><th scope="col">Where</th><th v-for="[, head] in FIELDS" :key="head" scope="col">{{ head }}</th><th scope="col">Class</th><th scope="col">For</th><th scope="col">Gauged</th><th scope="col" /></tr></thead>
        <tbody>
          <tr v-for="f in rows" :key="f.id">
            <th scope="row">{{ f.title }}</th>
            <td v-for="[field, head, like] in FIELDS" :key="field"><input class="input" :class="field" maxlength="60" :placeholder="like" :value="f[field]" :aria-label="`${head} of ${f.title}`" @change="send(line(`work.fasteners.${f.id}.${field}`, stated($event)))" /><span v-if="field === 'torque' && f.wrong" class="over said">{{ f.wrong }}</span><span v-else-if="field === 'torque' && f.usual" class="mute said">{{ f.usual }}</span></td>
            <td><Pick :label="`Class of ${f.title}`" :options="[{ value: '', label: '–' }, ...GRADES]" :model-value="f.grade" @update:model-value="(v) => send(line(`work.fasteners.${f.id}.grade`, String(v ?? '') || null))" /></td>
            <td><Pick :label="`Task of ${f.title}`" :options="[{ value: '', label: '–' }, ...optionsOf(tasks)]" :model-value="f.task" @update:model-value="(v) => send(line(`work.fasteners.${f.id}.task`, String(v ?? '') || null))" /></td>
            <td><label class="gauge"><input type="checkbox" :checked="f.gauged" :aria-label="`${f.title}: held against a gauge`" @change="send(line(`work.fasteners.${f.id}.gauged`, f.gauged ? null : 'yes'))" /></label></td>
            <td><button class="textlink" type="button" :aria-label="`off the list: ${f.title}`" @click="send(line(`work.fasteners.${f.id}`, null, { action: 'remove' }))">off</button></td>
          </tr>
        </tbody>
      </table>
    </div>
    <AddLine label="Where a fastener goes" like="bell to block" button="Add a fastener" :add="add" />
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin-top: 6px;
}
th,
td {
  text-align: left;
  padding: 3px 8px 3px 0;
  font-weight: 400;
  vertical-align: top;
}
thead th {
  font: 500 13px/1.25 var(--labels);
  color: var(--mute);
}
.input {
  min-width: 74px;
}
.input.count {
  min-width: 44px;
}
.said {
  display: block;
  font-size: 13px;
}
.gauge {
  display: grid;
  place-items: center;
  min-height: 32px;
}
@media (max-width: 720px) {
  .gauge {
    min-height: 44px;
    min-width: 44px;
  }
}
</style>
