<script setup lang="ts">
import { computed } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import CautionNote from '../../../ui/CautionNote.vue'
import { useStart } from '../useStart'
import TwoColumns from '../../../ui/TwoColumns.vue'
import StateIt from '../../../station/StateIt.vue'

/** Filling and bleeding: in order, how much of what, and what the gauge shows while air is in it. */
const start = useStart()
const words = useVocabulary()
const lock = computed(() => start.plan?.airlock)
const same = computed(() => lock.value !== null && lock.value !== undefined && Math.abs(lock.value.idle - lock.value.idle_air) < 3)
</script>

<template>
  <TwoColumns share="1.3fr">
    <template #left>
    <section class="card pad">
      <h1>Fill it cold, bleed it high, count what went in.</h1>
      <ol><li v-for="p in start.plan?.filling" :key="p.id"><b>{{ p.label }}</b><span>{{ p.do }}</span></li></ol>
    </section>
    </template>
    <template #right>
      <section class="card pad">
        <h2 class="label">With air in it the gauge shows</h2>
        <table v-if="lock">
          <thead><tr><td /><th scope="col">bled</th><th scope="col">air in it</th></tr></thead>
          <tbody>
            <tr><th scope="row">idling, warm</th><td class="figure">{{ words.show(lock.idle, 'temperature') }}</td><td class="figure">{{ words.show(lock.idle_air, 'temperature') }}</td></tr>
            <tr v-if="lock.loaded !== null"><th scope="row">{{ lock.duty }}</th><td class="figure">{{ words.show(lock.loaded, 'temperature') }}</td><td class="figure over">{{ words.show(lock.loaded_air, 'temperature') }}</td></tr>
          </tbody>
        </table>
        <p v-if="same">Idling it says nothing: a heater that blows cold and a needle that jumps do. A sender that stands in air reads low, then all at once high.</p>
        <p v-if="start.plan?.airlock_missing.length" class="mute">Not worked: <template v-for="m in start.plan.airlock_missing" :key="m.path">{{ m.label.toLowerCase() }} is not stated. <StateIt :fact="m" /></template></p>
      </section>
      <CautionNote text="Hot coolant under pressure scalds: the cap stays shut until the top hose can be held in the hand. Coolant is sweet and kills dogs and children: no pan of it left standing." />
    </template>
  </TwoColumns>
</template>

<style scoped>
h1 {
  font: 600 21px/1.25 var(--words);
}
ol {
  margin: 8px 0 0;
  padding-left: 22px;
}
li {
  padding: 7px 0;
}
li span {
  display: block;
}
table {
  border-collapse: collapse;
  width: 100%;
  margin: 6px 0;
}
th,
td {
  border-bottom: 1px solid var(--line);
  padding: 6px 4px;
  text-align: right;
  font-weight: 500;
}
tbody th {
  text-align: left;
}
</style>
