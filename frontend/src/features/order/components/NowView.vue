<script setup lang="ts">
import { computed } from 'vue'
import { hours, short } from '../logic'
import { useOrder } from '../useOrder'
import HeldCard from './HeldCard.vue'
import MoneyCard from './MoneyCard.vue'
import RiverCard from './RiverCard.vue'
import TodayCard from './TodayCard.vue'

/** What now: today's tasks, what is held, the money, the river; what was done out of order stands first. */
const order = useOrder()
const against = computed(() => order.order?.against ?? [])
const movers = computed(() => order.order?.movers ?? [])
const titleOf = (id: string) => short(order.byId.get(id)?.title ?? id)
</script>

<template>
  <section v-if="against.length" class="card pad against" role="note">
    <h2 class="label">Done out of order</h2>
    <ul>
      <li v-for="b in against.slice(0, 4)" :key="`${b.task} ${b.missing}`"><b>{{ titleOf(b.task) }}</b> before <b>{{ short(b.title) }}</b><template v-if="b.why">: {{ b.why }}</template>.<template v-if="b.undo_h > 0"> It costs {{ hours(b.undo_h) }} by now{{ b.redone.length ? ', and more with each task built on it' : '' }}.</template></li>
    </ul>
    <p v-if="against.length > 4" class="mute">{{ against.length - 4 }} more.</p>
  </section>
  <div class="three"><TodayCard /><HeldCard /><MoneyCard /></div>
  <RiverCard v-if="order.order" class="wide" :given="order.order" />
  <section v-if="movers.length" class="card pad movers">
    <h2 class="label">What would move the {{ order.order?.first ? 'first start' : 'end' }}</h2>
    <ul><li v-for="m in movers" :key="`${m.kind} ${m.id}`"><span>{{ m.label }}</span><span class="figure">{{ m.sooner === 1 ? 'a day' : `${m.sooner} days` }} sooner</span></li></ul>
  </section>
</template>

<style scoped>
.three {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) minmax(0, 0.9fr);
  gap: 12px;
  align-items: start;
}
.against {
  border-left: 4px solid var(--over);
}
ul {
  margin: 4px 0 0;
  padding: 0;
}
li {
  list-style: none;
  padding: 4px 0;
}
.movers {
  max-width: 620px;
}
.movers li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  border-bottom: 1px solid var(--line);
}
@media (max-width: 1020px) {
  .three {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
