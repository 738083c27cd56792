<script setup lang="ts">
import { computed } from 'vue'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { hours, money, workOf, type Thing } from '../logic'
import { stated } from '../../../ui/typed'
import { useOrder } from '../useOrder'

/** Make it, buy it or send it out: what is typed of each way, and what each comes to. */
const props = defineProps<{ thing: Thing }>()
const build = useBuild()
const order = useOrder()
const { send, trouble } = useSending()
const WAYS = { make: 'Make it', buy: 'Buy it ready', send: 'Send it out' }
const FIELDS = { cost: ['Money', '60-90'], hours: ['Own hours', '4-8-16 h'], redo: ['Done over', '0-30 %'], wait: ['Wait', '5-10 days'] } as const
const id = computed(() => props.thing.path.split('.')[2] ?? '')
type Typed = Record<string, Record<string, string> | undefined>
const typed = computed(() => (workOf(build.document).buys?.find((b) => b.id === id.value)?.ways ?? {}) as Typed)
const found = (way: string) => props.thing.ways.find((w) => w.id === way)
const show = (amount: number) => money(order.order?.budget.sign ?? '', amount)
</script>

<template>
  <div class="ways" tabindex="0" role="region" :aria-label="`Ways to come by ${thing.label}`">
    <table>
      <thead><tr><th scope="col">Way</th><th v-for="[title] in Object.values(FIELDS)" :key="title" scope="col">{{ title }}</th><th scope="col">Comes to</th></tr></thead>
      <tbody>
        <tr v-for="(label, way) in WAYS" :key="way">
          <th scope="row">{{ label }}</th>
          <td v-for="[field, [title, like]] in Object.entries(FIELDS)" :key="field"><input class="input" maxlength="40" :placeholder="like" :value="typed[way]?.[field] ?? ''" :aria-label="`${title}, ${label}: ${thing.label}`" @change="send(line(`${thing.path}.ways.${way}.${field}`, stated($event)))" /></td>
          <td class="figure"><template v-if="found(way)">{{ show(found(way)?.mean ?? 0) }}<span class="mute"> to {{ show(found(way)?.high ?? 0) }}, {{ hours(found(way)?.hours ?? 0) }}, {{ Math.round(found(way)?.days ?? 0) }} days</span><b v-if="found(way)?.cheapest"> cheapest</b><span v-if="found(way)?.wide" class="mute"> widest</span></template></td>
        </tr>
      </tbody>
    </table>
    <p class="mute">An hour of one's own counts {{ order.order?.rate ? show(order.order.rate) : 'nothing' }}; what is not typed of doing it over is usual.</p>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.ways {
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 2px 8px 2px 0;
  font-weight: 400;
}
thead th {
  font: 500 13px/1.25 var(--labels);
  color: var(--mute);
}
.input {
  min-width: 84px;
}
</style>
