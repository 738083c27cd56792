<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { useThrown } from '../useThrown'
import CoverRose from './CoverRose.vue'
import TiltingPan from './TiltingPan.vue'
import DutyPick from '../../../station/DutyPick.vue'
import Slide from '../../../ui/Slide.vue'
import Unseen from '../../../ui/Unseen.vue'

/** The tilting pan beside its rose: drag the acceleration and the oil moves. */
const words = useVocabulary()
const { index } = useThrown()
const dragged = ref<{ forward: number; left: number } | null>(null)
watch(index, () => (dragged.value = null))
const options = computed(() => ({ duty: index.value, ...(dragged.value ?? {}) }))
const { data, waiting } = useInstrument('oil/pan', options)
const pan = computed(() => data.value?.pan ?? null)
const move = (forward: number, left: number) => (dragged.value = { forward, left })
const along = computed({ get: () => Math.round(100 * (pan.value?.forward ?? 0)) / 100, set: (value: number) => move(value, pan.value?.left ?? 0) })
const across = computed({ get: () => Math.round(100 * (pan.value?.left ?? 0)) / 100, set: (value: number) => move(pan.value?.forward ?? 0, value) })
const stands = (clear: number) => (clear < 0 ? `dip ${words.show(-clear, 'size')} into the oil` : `stand ${words.show(clear, 'size')} clear of it`)
const way = (value: number, plus: string, minus: string) => (value === 0 ? 'none' : `${Math.abs(value).toFixed(2)} g ${value > 0 ? plus : minus}`)
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">Oil in the pan: drag the acceleration</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="pan">
      <div class="pair">
        <TiltingPan :data="pan" />
        <CoverRose :data="pan" @move="move" />
      </div>
      <Slide v-model="along" label="Acceleration along" :min="-1.5" :max="1.5" :step="0.05" :text="way(along, 'pulling away', 'braking')" />
      <Slide v-model="across" label="Acceleration across" :min="-1.5" :max="1.5" :step="0.05" :text="way(across, 'turning left', 'turning right')" />
      <p v-if="pan.rides"><strong>Rides out {{ words.show(pan.rides.seconds, 'time') }}</strong> uncovered, of {{ words.show(pan.rides.asked, 'time') }} asked: {{ words.show(pan.rides.held + pan.rides.given, 'volume') }} held back.</p>
      <p v-if="pan.sweep" class="mute">The big ends {{ stands(pan.sweep.clear) }} as it is thrown, {{ stands(pan.sweep.rest_clear) }} at rest.</p>
      <p class="mute">{{ words.show(pan.volume, 'volume') }} in the pan running, {{ words.show(pan.rest_head, 'size') }} over the pickup at rest, {{ words.show(pan.wanted, 'size') }} wanted for what it draws; the pan holds {{ words.show(pan.holds, 'volume') }} to its rail. The dashed line of the rose is what the duty asks.
        <button v-if="dragged" class="textlink" type="button" @click="dragged = null">back to the duty's braking</button>
      </p>
    </template>
    <Unseen v-else :waiting="waiting">Give the pan's shape and size and where the pickup lies, to see whether it stays covered.</Unseen>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
  gap: 10px;
  align-items: center;
}
@media (max-width: 720px) {
  .pair {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
