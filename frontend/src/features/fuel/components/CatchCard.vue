<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../../api/client'
import FactRow from '../../../station/FactRow.vue'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'

/** A catch test: what ran into the can, brought to the pressure and the volts of the pump's own table. */
defineProps<{ caught: Schemas['CatchTest'] | null; offered: Schemas['EditOut'][] }>()
const build = useBuild()
const words = useVocabulary()
const fields = computed(() => (words.words?.sections.fuel?.fields ?? []).filter((f) => f.group === 'Catch test' && (f.name !== 'main.catch_voltage' || build.build?.facts['fuel.main.drive']?.text !== 'engine')))
const trouble = ref('')

async function use(edits: Schemas['EditOut'][]): Promise<void> {
  trouble.value = (await build.enqueue(edits.map((e) => line(e.path, e.text, e))))?.message ?? ''
}
</script>

<template>
  <section class="card pad">
    <h2 class="label">Catch test</h2>
    <div class="pair">
      <div><FactRow v-for="field in fields" :key="field.name" :path="`fuel.${field.name}`" :field="field" /></div>
      <div>
        <template v-if="caught">
          <p class="figure" :class="{ over: caught.health < 0.7 }">It gives {{ words.show(caught.health, 'share') }} of what its figures say.</p>
          <p>Caught {{ words.show(caught.flow, 'flow_fuel') }} at {{ words.show(caught.pressure, 'pressure_gauge') }} and {{ words.show(caught.volts, 'voltage') }}; its figures come to {{ words.show(caught.said, 'flow_fuel') }} there.
            At {{ words.show(caught.rated_pressure, 'pressure_gauge') }} and {{ words.show(caught.rated_volts, 'voltage') }} that is {{ words.show(caught.corrected, 'flow_fuel') }}, new {{ words.show(caught.new, 'flow_fuel') }}. All of the page reckons with it.</p>
        </template>
        <template v-else-if="offered.length">
          <p>There is no table to hold it against. Use the catch as the pump's own point?</p>
          <button class="button" type="button" @click="use(offered)">Use it as the pump's point</button>
        </template>
        <p v-else class="mute">Hose into a can for half a minute, pinched to the working pressure, a meter on the pump's terminals. All four figures bring it to the table's own pressure and volts, and say how worn the pump is.</p>
        <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
        <p class="mute">Bonding wire to the can, hose tied down, no spark, charger off.</p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.4fr);
  gap: 4px 22px;
}
@media (max-width: 720px) {
  .pair {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
