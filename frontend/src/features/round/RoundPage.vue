<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { api, type Round } from '../../api/client'
import { chance } from '../../station/bands'
import { useBuild } from '../../stores/build'
import { useOutlook } from '../../stores/outlook'
import DatumSketch from './components/DatumSketch.vue'
import RoundItem from './components/RoundItem.vue'
import { letters } from './sketches'

/** The measuring round: everything still to be measured, by where one stands; readings come back as taped. */
const build = useBuild()
const outlook = useOutlook()
const round = shallowRef<Round | null>(null)
const trouble = ref('')
const done = ref<Record<string, string>>({})
const whole = ref(false)
const print = () => window.print()
const telling = computed(() => Object.fromEntries((outlook.next ?? []).map((m) => [m.path, m.chance])))
/** What settles something, or is missing; the rest on request. */
const places = computed(() =>
  (round.value?.places ?? []).map((place) => {
    const rank = (path: string, evidence: string) => (evidence === 'missing' ? 2 : (telling.value[path] ?? -1))
    const items = [...place.items].sort((a, b) => rank(b.path, b.evidence) - rank(a.path, a.evidence))
    const worth = items.filter((i) => i.evidence === 'missing' || i.path in telling.value || i.path in done.value)
    const shown = whole.value || outlook.next === null ? items : worth
    return { ...place, items: shown, letters: letters(place.id, shown.map((i) => i.path)) }
  }).filter((place) => place.items.length),
)
const left = computed(() => (round.value?.places ?? []).reduce((n, p) => n + p.items.length, 0) - places.value.reduce((n, p) => n + p.items.length, 0))
const say = (path: string) => ((telling.value[path] ?? 0) >= 0.005 ? `${chance(telling.value[path] ?? 0)} to change the verdict` : undefined)

onMounted(async () => {
  outlook.ask(['bands', 'measure'])
  try {
    // Taken once: what is entered stays in its place until the round is walked again.
    round.value = await api.round(build.document)
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : 'The round did not load.'
  }
})
</script>

<template>
  <article class="round">
    <header>
      <div>
        <h1>Measuring round: {{ build.build?.name }}</h1>
        <p class="mute">{{ build.report?.headline.sentence }} What you enter here is kept as taped, with today's date; what stood before stays as a claim.</p>
      </div>
      <button class="button noprint" type="button" @click="print">Print</button>
    </header>
    <nav class="jump noprint" aria-label="Where you stand">
      <a v-for="place in places" :key="place.id" :href="`#stand-${place.id}`">{{ place.title }} <span class="figure">{{ place.items.length }}</span></a>
    </nav>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    <section v-for="place in places" :id="`stand-${place.id}`" :key="place.id" class="card">
      <h2 class="label head">{{ place.title }}</h2>
      <DatumSketch :place="place.id" :letters="place.letters" />
      <ul>
        <RoundItem v-for="item in place.items" :key="item.path" :item="item" :letter="place.letters[item.path]" :chance="say(item.path)" :done="done[item.path]" @kept="(path, shown) => (done[path] = shown)" />
      </ul>
    </section>
    <button v-if="left > 0 || whole" class="button noprint" type="button" @click="whole = !whole">{{ whole ? 'Only what settles something' : `${left} more that settle nothing now` }}</button>
    <p v-if="outlook.progress?.what === 'measure'" class="mute noprint" role="status">Working out which of these matter: {{ outlook.progress.done }} of {{ outlook.progress.of }}.</p>
  </article>
</template>

<style scoped>
.round {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  max-width: 760px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: start;
  gap: 12px;
}
h1 {
  font: 600 23px/1.25 var(--words);
}
.jump {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.jump a {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px 10px;
  text-decoration: none;
  background: var(--card);
  color: var(--ink);
}
.head {
  padding: 11px 14px 6px;
}
ul {
  margin: 0;
  padding: 0;
}
@media (max-width: 720px) {
  .jump a {
    min-height: 44px;
    display: flex;
    align-items: center;
    gap: 6px;
  }
}
@media print {
  .card {
    border: 0;
    break-inside: auto;
  }
}
</style>
