<script setup lang="ts">
import type { Schemas } from '../api/client'
import OptionTable from './OptionTable.vue'
import RestsOn from './RestsOn.vue'

/** What the wanted power asks of each part. */
defineProps<{ needs: Schemas['NeedOut'][]; title?: string }>()
</script>

<template>
  <section v-if="needs.length" class="card">
    <h2 class="label head">{{ title ?? 'What to look for' }}</h2>
    <div v-for="need in needs" :key="need.quantity" class="need">{{ need.sentence }}<OptionTable :options="need.options" /><RestsOn v-if="need.rests_on" class="on" :rests="need.rests_on" /></div>
  </section>
</template>

<style scoped>
.head {
  padding: 11px 14px;
}
.on {
  display: block;
  margin-top: 4px;
}
.need {
  border-top: 1px solid var(--line);
  padding: 8px 14px;
  font-size: 14px;
}
</style>
