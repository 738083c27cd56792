<script setup lang="ts">
import { computed } from 'vue'
import { stationOf } from '../find'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'

/** Facts that are only guessed, each leading to where it is stated. */
const build = useBuild()
const words = useVocabulary()
const guesses = computed(() =>
  Object.values(build.build?.facts ?? {})
    .filter((f) => f.evidence === 'guess')
    .flatMap((fact) => {
      const field = words.field(fact.path)
      const section = fact.path.split('.')[0] ?? ''
      if (!field || fact.path === 'wanted' || section === 'duties') return []
      return [{ path: fact.path, label: `${words.words?.sections[section]?.title}: ${field.label.toLowerCase()}`, shown: fact.shown, station: stationOf(section, field.group), help: field.help }]
    }),
)
</script>

<template>
  <section v-if="guesses.length" class="card">
    <h2 class="label head">Only guessed</h2>
    <router-link v-for="guess in guesses" :key="guess.path" class="guess" :to="{ name: guess.station, params: { id: build.build?.id }, hash: `#${guess.path}` }">
      <span class="line"><span class="name">{{ guess.label }}</span><span class="figure">{{ guess.shown }}</span></span>
      <span v-if="guess.help" class="mute">{{ guess.help }}</span>
    </router-link>
  </section>
</template>

<style scoped>
.head {
  padding: 11px 14px;
}
.guess {
  display: block;
  border-top: 1px solid var(--line);
  padding: 8px 14px;
  color: inherit;
  text-decoration: none;
  font-size: 14px;
}
.guess:hover {
  background: var(--glass);
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.name {
  font-weight: 500;
}
</style>
