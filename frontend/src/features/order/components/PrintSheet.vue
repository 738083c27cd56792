<script setup lang="ts">
import { computed } from 'vue'
import { byDay, hours, said } from '../logic'
import { useOrder } from '../useOrder'

/** On paper: what is left in the order it is begun, with a box, what proves it and who signs. */
const order = useOrder()
const left = computed(() => byDay(order.tasks))
const things = computed(() => (order.order?.things ?? []).filter((t) => t.awaited))
</script>

<template>
  <section class="paper">
    <table>
      <thead><tr><th scope="col" /><th scope="col">Task</th><th scope="col">Likely</th><th scope="col">Hours</th><th scope="col">People</th><th scope="col">Proved by, signed</th></tr></thead>
      <tbody>
        <tr v-for="t in left" :key="t.id"><td class="box">☐</td><th scope="row">{{ t.title }}<span v-if="t.caution" class="caution">{{ t.caution }}</span></th><td>{{ said(t.day) }}</td><td>{{ hours(t.hours.likely) }}</td><td>{{ t.hands }}</td><td>{{ t.hold }}</td></tr>
      </tbody>
    </table>
    <h2 v-if="things.length">Not there yet</h2>
    <ul><li v-for="t in things" :key="t.id">☐ {{ t.label }}{{ t.source ? `, ${t.source}` : '' }}{{ t.price ? `, ${t.price}` : '' }}: {{ said(t.arrives) }}</li></ul>
  </section>
</template>

<style scoped>
.paper {
  display: none;
}
@media print {
  .paper {
    display: block;
  }
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 13px;
}
th,
td {
  border-bottom: 1px solid #999;
  padding: 4px 6px;
  text-align: left;
  vertical-align: top;
  font-weight: 400;
}
tr {
  break-inside: avoid;
}
.box {
  font-size: 17px;
}
.caution {
  display: block;
  font-style: italic;
}
</style>
