<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import FactPanel from '../../station/FactPanel.vue'
import PartList from '../../station/PartList.vue'
import StationFrame from '../../station/StationFrame.vue'
import { useInstrument } from '../../station/useInstrument'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import UnrolledPipe from './components/UnrolledPipe.vue'
import { hardest } from './logic'
import DutyPick from '../../station/DutyPick.vue'
import Slide from '../../ui/Slide.vue'
import Unseen from '../../ui/Unseen.vue'

const build = useBuild()
const words = useVocabulary()
const duties = computed(() => build.report?.duties ?? [])
const index = ref(0)
const scale = ref(100)
// The duty that loses most pressure is the one to look at first.
watch(() => hardest(build.report?.systems.exhaust?.checks ?? []), (id) => {
  const found = duties.value.findIndex((d) => d.id === id)
  if (found >= 0) index.value = found
}, { immediate: true })
watch(() => build.build?.revision, () => (scale.value = 100))
const options = computed(() => ({ duty: index.value, bore_scale: scale.value / 100 }))
const { data, waiting } = useInstrument('exhaust/pipe', options)
const judged = computed(() => build.report?.systems.exhaust !== undefined)
</script>

<template>
  <StationFrame system="exhaust">
    <template #fitted="{ block }">
      <FactPanel section="exhaust" :cautions="block?.cautions ?? []" />
      <PartList place="exhaust.pieces" title="Piece by piece" empty="From flange to tip: tube, flex, catalyst, silencer. Stated so, they take the place of the one tube." />
      <FactPanel section="installation" title="Gaps" :only="['Round the exhaust']" />
    </template>
    <template #instrument>
      <section v-if="judged" class="card pad">
        <div class="cardhead">
          <h2 class="label">Where the pressure goes, flange to tip</h2>
          <DutyPick v-model="index" />
        </div>
        <template v-if="data">
          <UnrolledPipe :data="data" />
          <Slide v-model="scale" label="All bores" :min="60" :max="160" :text="`${scale} %`">
            <button v-if="scale !== 100" class="textlink" type="button" @click="scale = 100">as fitted</button>
          </Slide>
          <p class="mute">Costs about {{ words.show(data.cost, 'power') }} there; fastest gas Mach {{ data.mach.toFixed(2) }}; outside of the pipe {{ words.show(Math.max(...data.pieces.map((p) => p.surface)), 'temperature') }} at its hottest.</p>
        </template>
        <Unseen v-else :waiting="waiting">Give the tube's outside diameter and the whole length, or the pipe piece by piece, to see where the pressure goes.</Unseen>
      </section>
    </template>
  </StationFrame>
</template>
