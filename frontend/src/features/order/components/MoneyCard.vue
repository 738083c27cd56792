<script setup lang="ts">
import { computed } from 'vue'
import { money, said } from '../logic'
import { useOrder } from '../useOrder'

/** Money against its limit, and the things that decide the end. */
const order = useOrder()
const own = computed(() => order.order?.budget)
const show = (amount: number) => money(own.value?.sign ?? '', amount)
const scale = computed(() => Math.max(own.value?.limit ?? 0, own.value?.high ?? 0, 1) * 1.04)
const at = (amount: number) => `${(100 * amount) / scale.value}%`
const deciding = computed(() => (order.order?.things ?? []).filter((t) => t.awaited && t.tasks.length).sort((a, b) => b.decides - a.decides).slice(0, 3))
const spare = (days: number | null) => (days === null ? 'months to spare' : days === 0 ? 'moves the end' : `${days} days to spare`)
</script>

<template>
  <section class="card pad">
    <div class="cardhead"><h2 class="label">Money</h2><span class="figure">{{ own && own.likely_sum ? show(own.likely_sum) : 'no prices yet' }}<span v-if="own?.limit" class="mute"> of {{ show(own.limit) }}</span></span></div>
    <template v-if="own && own.likely_sum">
      <div class="bar" role="img" :aria-label="own.sentence">
        <span class="paid" :style="{ width: at(own.paid) }" /><span class="ordered" :style="{ left: at(own.paid), width: at(own.ordered) }" /><span class="open" :style="{ left: at(own.paid + own.ordered), width: at(own.open) }" />
        <span class="whisker" :style="{ left: at(own.low), width: at(own.high - own.low) }" /><span v-if="own.limit" class="limit" :style="{ left: at(own.limit) }" />
      </div>
      <p class="key"><span><i class="paid" />spent {{ show(own.paid) }}</span><span><i class="ordered" />ordered {{ show(own.ordered) }}</span><span><i class="open" />to come {{ show(own.open) }}</span></p>
    </template>
    <p class="mute say">{{ own?.sentence }}</p>
    <template v-if="deciding.length">
      <div class="cardhead two"><h3 class="label">Things that decide the end</h3><span class="mute">in 100 cases</span></div>
      <ul>
        <li v-for="thing in deciding" :key="thing.id"><span>{{ thing.label }} <span class="mute">{{ thing.price }}</span></span><span :class="thing.late_days ? 'over' : 'mute'">{{ thing.late_days ? `${thing.late_days} days late` : thing.spare_days === 0 ? said(thing.arrives) : spare(thing.spare_days) }}</span><span class="figure">{{ Math.round(100 * thing.decides) }}</span></li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.bar {
  position: relative;
  height: 18px;
  margin: 8px 0 6px;
  background: var(--glass);
  border: 1px solid var(--line);
  border-radius: 3px;
}
.bar > * {
  position: absolute;
  top: 0;
  bottom: 0;
}
.paid {
  background: var(--fit);
}
.ordered {
  background: repeating-linear-gradient(90deg, var(--fit) 0 4px, var(--card) 4px 7px);
}
.open {
  background: color-mix(in srgb, var(--fit) 30%, var(--card));
}
.bar .whisker {
  top: 8px;
  bottom: auto;
  border-top: 2px solid var(--ink);
}
.bar .whisker::before,
.bar .whisker::after {
  content: '';
  position: absolute;
  top: -6px;
  height: 10px;
  border-left: 2px solid var(--ink);
}
.bar .whisker::after {
  right: 0;
}
.bar .limit {
  top: -3px;
  bottom: -3px;
  border-left: 3px solid var(--ink);
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  font: 500 14px/1.3 var(--labels);
}
i {
  display: inline-block;
  width: 10px;
  height: 10px;
  margin-right: 5px;
}
.say {
  font-size: 14px;
}
.two {
  margin-top: 10px;
  border-top: 1px solid var(--line);
  padding-top: 9px;
}
ul {
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto 32px;
  gap: 8px;
  padding: 5px 0;
  list-style: none;
}
li .figure {
  text-align: right;
}
</style>
