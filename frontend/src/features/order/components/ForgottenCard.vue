<script setup lang="ts">
import { computed } from 'vue'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { Fold } from '../../../ui/lazy'
import ActList from '../../../ui/ActList.vue'
import { short } from '../logic'
import { useOrder } from '../useOrder'

/** What is easily forgotten: off the donor, renewed while it is open, what can stop the job, what tasks use up. */
const order = useOrder()
const { send, trouble } = useSending()
const GROUPS = { blocker: 'Can stop the job: price it first', take: 'Off the donor, before it goes', renew: 'Renewed while it is open' } as const
const titleOf = (id: string) => short(order.byId.get(id)?.title ?? '').toLowerCase()
const open = computed(() => (order.order?.wanted ?? []).filter((w) => !w.listed && order.byId.get(w.task)?.state !== 'done'))
const groups = computed(() => Object.entries(GROUPS).map(([id, title]) => ({ id, title, rows: open.value.filter((w) => w.group === id).map((w) => ({ key: w.id, name: w.label, note: w.why })) })).filter((g) => g.rows.length))
const used = computed(() => {
  const listed = new Set((order.order?.things ?? []).map((t) => t.label.toLowerCase()))
  return order.tasks.filter((t) => t.state !== 'done').flatMap((t) => t.materials.filter((m) => !listed.has(m.toLowerCase())).map((m) => ({ key: `${t.id}|${m}`, name: m, note: titleOf(t.id) })))
})
function list(key: string): void {
  const found = open.value.find((w) => w.id === key)
  if (!found) return
  const at = `work.buys.${found.id}`
  void send(line(`${at}.title`, found.label), line(`${at}.state`, found.group === 'take' ? 'donor' : 'wanted'), ...(order.byId.has(found.task) ? [line(`${at}.task`, found.task)] : []))
}
function use(key: string): void {
  const [task = '', what = ''] = key.split('|')
  const at = `work.buys.${what.replace(/[^a-z0-9]+/gi, '_').toLowerCase().slice(0, 24)}_${task}`.slice(0, 50)
  void send(line(`${at}.title`, what), line(`${at}.kind`, 'material'), line(`${at}.state`, 'wanted'), line(`${at}.task`, task))
}
</script>

<template>
  <section v-if="groups.length || used.length" class="card pad">
    <h2 class="label">On no list yet</h2>
    <Fold v-for="(g, n) in groups" :key="g.id" :open="n === 0" :title="`${g.title}: ${g.rows.length}`"><ActList :rows="g.rows" act="list it" @act="list" /></Fold>
    <Fold v-if="used.length" :title="`Used up by tasks: ${used.length}`"><ActList :rows="used" act="list it" @act="use" /></Fold>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
</template>
