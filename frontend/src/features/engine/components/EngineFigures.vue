<script setup lang="ts">
import { computed } from 'vue'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import NamedValues from '../../../ui/NamedValues.vue'

/** What the claim implies: is it believable, what would it do. */
const build = useBuild()
const words = useVocabulary()
const lines = computed(() => {
  const f = build.report?.systems.engine?.machine ?? {}
  const line = (label: string, key: string, kind: string) => ({ label, shown: words.show(f[key], kind), there: f[key] !== undefined && f[key] !== null })
  return [
    line('Top speed', 'top_speed_m_s', 'speed'),
    line('Speed of the hull\'s own wave', 'hull_speed_m_s', 'speed'),
    line(`To ${words.show(100 / 3.6, 'speed')}, gear changes apart`, 'time_to_100_km_h_s', 'time'),
    line(`Steepest grade at ${words.show(80 / 3.6, 'speed')}`, 'steepest_grade', 'grade'),
    line('Mean effective pressure', 'rated_bmep_pa', 'pressure_difference'),
    line('Piston speed', 'mean_piston_speed_m_s', 'speed_m_s'),
    line('Filling it implies', 'volumetric_efficiency', 'share'),
    line('Exhaust at rated power', 'rated_exhaust_temperature_k', 'temperature'),
    line('Lambda at rated power', 'rated_excess_air', 'ratio'),
  ].filter((l) => l.there)
})
</script>

<template>
  <section v-if="lines.length" class="card pad">
    <h2 class="label">What the claim implies</h2>
    <NamedValues :rows="lines" />
  </section>
</template>
