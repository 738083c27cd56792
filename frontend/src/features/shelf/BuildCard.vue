<script setup lang="ts">
import { computed } from 'vue'
import type { Card } from '../../api/client'
import { percent } from '../../ui/format'
import Well from '../../ui/Well.vue'
import { useVocabulary } from '../../stores/vocabulary'

const props = defineProps<{ card: Card }>()
const words = useVocabulary()
const kind = computed(() => words.words?.machines[props.card.kind] ?? 'machine not given')
const names = computed<Record<string, string>>(() => ({ engine: 'Engine', ...words.words?.systems }))
</script>

<template>
  <router-link class="card build" :to="{ name: 'bench', params: { id: card.id } }">
    <p class="label">{{ kind }}</p>
    <h2>{{ card.name || 'No name yet' }}</h2>
    <p class="verdict" :class="{ over: card.state === 'short' }">{{ card.sentence }}</p>
    <p v-if="card.notes" class="mute notes">{{ card.notes }}</p>
    <ul>
      <li v-for="(fill, id) in card.wells" :key="id">
        <Well :fill="fill" :system="String(id)" :label="names[id] ?? String(id)" />
        <span>{{ names[id] ?? id }}</span>
        <span class="figure" :class="{ over: (fill ?? 0) > 1 }">{{ percent(fill) }}</span>
      </li>
    </ul>
  </router-link>
</template>

<style scoped>
.build {
  display: block;
  padding: 14px 16px;
  color: inherit;
  text-decoration: none;
}
.build:hover {
  border-color: var(--brass-line);
}
h2 {
  font: 600 19px/1.3 var(--words);
  margin: 2px 0 6px;
}
.verdict {
  font-weight: 500;
}
.notes {
  font-size: 13.5px;
  margin-top: 6px;
}
ul {
  list-style: none;
  padding: 10px 0 0;
  margin: 12px 0 0;
  border-top: 1px solid var(--line);
  display: grid;
  gap: 6px;
}
li {
  display: grid;
  grid-template-columns: 100px 1fr auto;
  align-items: center;
  gap: 8px;
}
</style>
