<script setup lang="ts">
import { computed, ref } from 'vue'
import { line, useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import { partsOf, type Part } from '../../station/parts'
import PartCard from '../../station/PartCard.vue'
import DataTable from '../../ui/DataTable.vue'
import type { Column } from '../../ui/grid'
import MenuButton from '../../ui/MenuButton.vue'
import Unseen from '../../ui/Unseen.vue'

/** The yard: what one has or has seen and has not fitted; below it everything that is fitted, how it stands and what it cost. */
const build = useBuild()
const words = useVocabulary()
const all = computed(() => partsOf(build.document))
const kindOf = (part: Part) => words.words?.part_kinds[part.kind]?.label ?? part.kind
/** Parts that fill no place, those of a kind together. */
const yard = computed(() => {
  const free = all.value.filter((p) => !p.role)
  return [...new Set(free.map((p) => p.kind))].map((kind) => ({ kind, title: words.words?.part_kinds[kind]?.label ?? kind, parts: free.filter((p) => p.kind === kind) }))
})
const kinds = computed(() => Object.entries(words.words?.part_kinds ?? {}).map(([id, k]) => ({ id, label: k.label })))
const trouble = ref('')
const opened = ref<string | null>(null)
async function add(kind: string): Promise<void> {
  const before = new Set(all.value.map((p) => p.id))
  const problem = await build.enqueue([line(`parts.${kind}`, kind, { action: 'add' })])
  trouble.value = problem?.message ?? ''
  opened.value = all.value.find((p) => !before.has(p.id))?.id ?? null
}

interface Fitted {
  id: string
  part: Part
  place: string
  /** Said behind a name of its own. */
  kind: string
  station: string
  state: string
}
const fitted = computed<Fitted[]>(() => all.value.flatMap((part) => {
  const place = part.role ? words.words?.places[part.role] : undefined
  return place ? [{ id: part.id, part, place: part.name || place.label, kind: part.name ? ` (${kindOf(part).toLowerCase()})` : '', station: place.section, state: part.keep?.state ? (words.words?.states[part.keep.state] ?? '') : '' }] : []
}))
const COLUMNS: Column<Fitted>[] = [
  { key: 'place', title: 'Part', head: true, by: (f) => f.place + f.kind },
  { key: 'station', title: 'In', show: (f) => words.words?.systems[f.station] ?? f.station, by: (f) => f.station, mute: true },
  { key: 'state', title: 'State', show: (f) => f.state || 'not said', by: (f) => f.state || null },
  { key: 'from', title: 'From', show: (f) => f.part.keep?.from ?? '', by: (f) => f.part.keep?.from ?? null },
  { key: 'price', title: 'Price', show: (f) => f.part.keep?.price ?? '', by: (f) => Number.parseFloat((f.part.keep?.price ?? '').replace(/[^\d.]/g, '')) || null, right: true },
]
</script>

<template>
  <article v-if="build.build" class="yard">
    <header>
      <div>
        <h1>Yard</h1>
        <p class="mute">What you have or have seen, fitted or not: what is known of it, where it is from, what it costs. Any of it is fitted by one press, and what it replaces comes to lie here.</p>
      </div>
      <MenuButton class="noprint" label="Put one on the yard" :acts="kinds" @act="add" />
    </header>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    <section v-for="group in yard" :key="group.kind" class="card pad">
      <h2 class="label">{{ group.title }}</h2>
      <PartCard v-for="part in group.parts" :key="part.id" :part="part" :open="opened === part.id" @update:open="(now) => (opened = now ? part.id : null)" />
    </section>
    <section v-if="!yard.length" class="card pad"><Unseen>Nothing lies on the yard.</Unseen></section>
    <section v-if="fitted.length" class="card pad">
      <h2 class="label">Fitted</h2>
      <DataTable :id="(f) => f.id" label="Fitted parts" :columns="COLUMNS" :rows="fitted">
        <template #cell="{ column, row }">
          <router-link v-if="column.head" :to="{ name: row.station, params: { id: build.build.id } }">{{ row.place }}<span v-if="row.kind" class="mute">{{ row.kind }}</span></router-link>
          <template v-else>{{ column.show?.(row) }}</template>
        </template>
      </DataTable>
    </section>
  </article>
</template>

<style scoped>
.yard {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  max-width: 860px;
}
header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: start;
  gap: 12px;
}
header > :first-child {
  flex: 1 1 320px;
}
h1 {
  font: 600 23px/1.25 var(--words);
}
</style>
