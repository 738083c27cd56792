<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import CautionNote from '../../../ui/CautionNote.vue'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'
import type { Priming } from '../logic'

/** From dry to pressure before the first start: which way, how long, what the gauge shows, when to stop. */
const build = useBuild()
const words = useVocabulary()
const { data, waiting } = useInstrument('oil/priming', ref({}))
const caution = computed(() => build.report?.systems.oil?.cautions.find((c) => c.id === 'prime_clear'))
type Way = Priming['ways'][number]
const COLUMNS = computed((): Column<Way>[] => [
  { key: 'name', title: 'Way', head: true, show: (w) => w.name },
  { key: 'speed', title: 'At', right: true, mute: true, show: (w) => (w.speed === null ? '–' : words.show(w.speed, 'speed_rpm')) },
  { key: 'seconds', title: 'To pressure', right: true, show: (w) => words.show(w.seconds, 'time') },
  { key: 'turns', title: 'Turns', right: true, mute: true, show: (w) => (w.turns === null ? '–' : w.turns.toFixed(0)) },
  { key: 'tries', title: 'Tries', right: true, show: (w) => String(w.tries), over: (w) => w.tries > (data.value?.tries ?? 3) },
  { key: 'gauge', title: 'Gauge then shows', right: true, show: (w) => (w.gauge === null ? 'give a hot reading' : words.show(w.gauge, 'pressure_gauge')) },
])
const chosen = computed(() => data.value?.ways.find((w) => w.chosen))
</script>

<template>
  <section class="card pad" data-priming>
    <h2 class="label">From dry to pressure, before it fires</h2>
    <CautionNote v-if="caution" :text="caution.text" />
    <template v-if="data && chosen">
      <p><strong>{{ words.show(chosen.seconds, 'time') }}</strong> {{ chosen.id === 'pot' ? `at ${words.show(data.pot, 'pressure_gauge')} of air` : `of cranking, ${chosen.turns?.toFixed(0)} turns` }}: {{ words.show(data.suction, 'volume') }} before the pump and {{ words.show(data.dry, 'volume') }} in filter and galleries, oil at {{ words.show(data.temperature, 'temperature') }}.</p>
      <DataTable :id="(w) => w.id" label="Ways to prime" :columns="COLUMNS" :rows="data.ways" :marked="(w) => w.chosen" />
      <ol>
        <li>Oil in by measure; the filter filled where it stands upright. A dry gear pump is packed with oil.</li>
        <li>{{ data.spark ? 'Plugs out, injection and ignition off.' : 'Stop held, glow off; injectors out where it is to turn freely.' }} Nobody in line with the holes.</li>
        <li>Crank {{ words.show(data.try_seconds, 'time') }}, let the starter rest {{ words.show(data.rest_seconds, 'time') }}, and again.</li>
        <li>No pressure after {{ data.tries }} tries: stop. Pump not primed, relief stuck, pickup sucking air, or it turns the wrong way.</li>
      </ol>
    </template>
    <Unseen v-else :waiting="waiting">Not enough is known of the engine yet.</Unseen>
  </section>
</template>

<style scoped>
ol {
  margin: 10px 0 0;
  padding-left: 20px;
  display: grid;
  gap: 4px;
}
</style>
