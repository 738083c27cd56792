<script setup lang="ts">
import { computed, onMounted, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Build, type Row } from '../../api/client'
import { busy } from '../../api/busy'
import { percent } from '../../ui/format'
import { useVocabulary } from '../../stores/vocabulary'
import TopBar from '../frame/TopBar.vue'
import { factsApart, rowsBeside, type Pair } from './logic'
import DataTable from '../../ui/DataTable.vue'
import type { Column } from '../../ui/grid'

/** Two builds side by side: what they are said to be good for, the facts that differ, rows and needs. */
const route = useRoute()
const words = useVocabulary()
const both = shallowRef<[Build, Build] | null>(null)
const trouble = shallowRef('')
onMounted(async () => {
  try {
    both.value = await Promise.all([api.build(String(route.params.a)), api.build(String(route.params.b))])
    // One pair of units for both, or no figure can be held against the other.
    if (both.value[0].report) words.units = both.value[0].report.units
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : 'The builds did not load.'
  }
})
const reach = (row: Row) => {
  if (row.fill === null) return 'not given'
  if (row.kind === 'power') return row.reach_w === null ? (row.reach_code === 'above' ? 'never in the way' : 'none') : words.show(row.reach_w, 'power')
  return percent(row.fill)
}
const columns = computed<Column<Pair>[]>(() => [
  { key: 'label', title: '', head: true, show: (r) => r.label },
  ...(both.value ?? []).map((build, i): Column<Pair> => ({ key: build.id, title: build.name, show: (r) => (i ? r.b : r.a) })),
])
const needs = (build: Build) => Object.entries(build.report?.systems ?? {}).flatMap(([id, block]) => block.need.filter((n) => n.shop && n.value !== null).map((n) => ({ key: `${id} ${n.quantity}`, label: n.shop?.name ?? '', shown: n.shop?.brief || words.show(n.value, n.unit) })))
const fullest = (build: Build) => [...(build.report?.rows ?? [])].sort((x, y) => (y.fill ?? -1) - (x.fill ?? -1))
const tables = computed<{ title: string; rows: Pair[]; none: string }[]>(() => {
  if (!both.value || !words.words) return []
  const [a, b] = both.value
  const asked = new Map(needs(b).map((n) => [n.key, n]))
  const needed = needs(a).map((n): Pair => ({ key: n.key, label: n.label, a: n.shown, b: asked.get(n.key)?.shown ?? '—' }))
  return [
    { title: 'What gives out where', rows: rowsBeside(fullest(a), fullest(b), reach), none: 'Nothing is judged in either.' },
    { title: 'What it takes', rows: needed, none: 'Neither asks for anything yet.' },
    { title: 'Facts that differ', rows: factsApart(a, b, words.words), none: 'What is stated is the same in both.' },
  ]
})
</script>

<template>
  <div class="beside">
    <TopBar />
    <main :aria-busy="busy">
      <h1>Side by side</h1>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <template v-if="both">
        <section class="card pad heads">
          <span class="label">As each says it</span>
          <div v-for="build in both" :key="build.id"><h2><router-link :to="{ name: 'bench', params: { id: build.id } }">{{ build.name }}</router-link></h2><p>{{ build.report?.headline.sentence }}</p></div>
        </section>
        <section v-for="table in tables" :key="table.title" class="card pad">
          <h2 class="label">{{ table.title }}</h2>
          <p v-if="!table.rows.length" class="mute">{{ table.none }}</p>
          <DataTable v-else :id="(r) => r.key" :label="table.title" :columns="columns" :rows="table.rows" />
        </section>
      </template>
    </main>
  </div>
</template>

<style scoped>
.beside {
  display: grid;
  grid-template: 'bar' 52px 'page' 1fr / minmax(0, 1fr);
}
main {
  grid-area: page;
  width: 100%;
  max-width: 980px;
  margin: 0 auto;
  padding: 24px 16px 48px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
h1 {
  font: 600 25px/1.25 var(--words);
}
.heads {
  display: grid;
  grid-template-columns: 40% 30% 30%;
}
.heads div {
  padding-right: 14px;
}
@media (max-width: 720px) {
  .heads {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .heads .label {
    grid-column: 1 / -1;
  }
}
/* Both stay in sight on a phone. */
main :deep(.ant-table-cell) {
  width: 30%;
  white-space: normal !important;
}
main :deep(.ant-table-cell:first-child) {
  width: 40%;
}
</style>
