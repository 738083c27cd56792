<script setup lang="ts">
import { computed } from 'vue'
import RestsOn from '../../station/RestsOn.vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import { settles, shopping } from './logic'

/** With nothing fitted, what to state first: the values that open the needs most. */
const build = useBuild()
const words = useVocabulary()
const items = computed(() => settles(shopping(build.report?.systems ?? {}, words.words?.asked ?? [])))
</script>

<template>
  <section v-if="items.length" class="card" data-panel="state-first">
    <div class="head"><h2 class="label">State or measure first</h2><router-link :to="{ name: 'round', params: { id: build.build?.id } }">measuring round</router-link></div>
    <div v-for="item in items" :key="item.rests.path" class="item">
      <span class="top"><span class="name">{{ item.names }}</span><span v-if="item.share !== null" class="figure say">± {{ Math.round(100 * item.share) }} %</span></span>
      <RestsOn :rests="item.rests" />
    </div>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  padding: 11px 14px;
  font-size: 14px;
}
.item {
  border-top: 1px solid var(--line);
  padding: 8px 14px;
  display: grid;
  gap: 4px;
}
.top {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.name {
  font-weight: 600;
}
.say {
  color: var(--cooling);
}
</style>
