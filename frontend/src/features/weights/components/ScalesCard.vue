<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import Unseen from '../../../ui/Unseen.vue'

/** Weighing with bathroom scales: the unit on a beam, the machine with its rear raised; what is read is taken over. */
const build = useBuild()
const words = useVocabulary()
const { data, waiting } = useInstrument('weights/scales', ref({}))
const { send, trouble } = useSending()
const taped = { evidence: 'taped' } as const
const rolls = computed(() => !['boat', 'aircraft', 'generator'].includes(build.build?.facts['machine.kind']?.text ?? ''))
const mm = (m: number) => `${(1000 * m).toFixed(0)} mm`
</script>

<template>
  <section class="card pad" data-scales>
    <h2 class="label">Engine and gearbox on a beam</h2>
    <template v-if="data">
      <p v-if="data.mass !== null"><strong>{{ words.show(data.mass, 'mass') }}</strong> as it was weighed{{ data.ahead === null ? '' : `, balancing ${words.show(data.ahead, 'length')} ahead of the bell’s face` }}.
        <button v-if="data.ahead !== null" class="textlink" type="button" @click="send(line('weights.unit_ahead', mm(data.ahead), taped))">Take the balance point</button>
        <button v-if="data.engine !== null" class="textlink" type="button" @click="send(line('engine.dry_mass', `${data.engine.toFixed(0)} kg`, taped))">Take {{ words.show(data.engine, 'mass') }} as the engine’s</button>
      </p>
      <p v-else class="mute">A stiff beam over two bathroom scales, the unit on it: both readings and how far they stand apart give its weight and where it balances. What they read goes among the facts, under “On scales”.</p>
      <template v-if="rolls">
        <h2 class="label more">Height of the machine’s balance point</h2>
        <p v-if="data.height !== null">Its balance point lies <strong>{{ words.show(data.height, 'length') }}</strong> over the ground. <button class="textlink" type="button" @click="send(line('weights.height', mm(data.height), taped))">Take it</button></p>
        <p v-else class="mute">Both axles weighed level, then the front again with the rear raised as high as it goes, springs wedged.</p>
      </template>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    </template>
    <Unseen v-else :waiting="waiting">Not enough is known of the engine yet.</Unseen>
  </section>
</template>

<style scoped>
.more {
  margin-top: 14px;
}
</style>
