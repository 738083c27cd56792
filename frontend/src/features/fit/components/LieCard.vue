<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { optionsOf } from '../../../ui/options'
import Segments from '../../../ui/Segments.vue'
import { moveWords, PLANES, still, type Plane } from '../logic'
import { useMoved } from '../useMoved'
import FiveTapes from './FiveTapes.vue'
import GapList from './GapList.vue'
import LensView from './LensView.vue'
import PlaneView from './PlaneView.vue'

/** Where it lies, to scale: dragged in three views, every gap answering; set when it pleases. */

const words = useVocabulary()
const { moved, by, back } = useMoved()
const plane = ref<Plane>('side')
/** Where nobody picked one, that of the tightest gap is drawn. */
const stance = ref<number | null>(null)
const options = computed(() => ({ ...moved.value, ...(stance.value === null ? {} : { stance: stance.value }) }))
const { data, waiting } = useInstrument('fit/lie', options)
const none = computed(() => ({}))
const { data: doubt } = useInstrument('fit/doubt', none)
const rest = computed(() => (Object.keys(PLANES) as Plane[]).filter((p) => p !== plane.value))
const away = computed(() => !still(moved.value))
const tightest = computed(() => data.value?.gaps[0] ?? null)
const off = (name: string) => (away.value ? null : (doubt.value?.gaps.find((g) => g.name === name)?.off ?? null))
const { send, trouble } = useSending()

async function set(): Promise<void> {
  const sets = data.value?.sets ?? {}
  await send(...Object.entries(sets).map(([path, si]) => line(path, text(path, si), { evidence: 'sheet' })))
}
/** Millimetres and degrees to a tenth: what a builder would write down. */
const text = (path: string, si: number) => (path.includes('engine_') ? `${((si * 180) / Math.PI).toFixed(2)} deg` : `${(1000 * si).toFixed(1)} mm`)
const stances = computed(() => optionsOf(Object.fromEntries((data.value?.stances ?? []).map((s, i) => [String(i), brief(s.name)]))))
const brief = (name: string) => name.replace('rocked in ', '').replace(' on its mounts', '').replace('at ', '')
const picked = computed({ get: () => String(data.value?.stance ?? 0), set: (v: string) => (stance.value = Number(v)) })
</script>

<template>
  <section class="card pad" data-lie>
    <div class="cardhead">
      <h2 class="label">Where it lies, to scale</h2>
      <Segments v-model="plane" label="Large view" :options="optionsOf(PLANES)" />
    </div>
    <template v-if="data">
      <PlaneView :data="data" :plane="plane" labelled :gap="tightest" @by="by" />
      <div class="below">
        <PlaneView v-for="p in rest" :key="p" :data="data" :plane="p" :gap="tightest" @by="by" />
        <LensView v-if="tightest" :data="data" :gap="tightest" :off="off(tightest.name)" />
      </div>
      <div class="row">
        <Segments v-if="stances.length" v-model="picked" label="Drawn dashed" :options="stances" />
      </div>
      <p v-if="away" class="held" role="status">
        Held {{ moveWords(moved, words.show) }}.
        <button class="button main" type="button" @click="set">Set this place</button>
        <button class="button" type="button" @click="back">Back to where it lies</button>
      </p>
      <p v-else class="mute">Drag the engine in any view; arrow keys move it by 1 mm, with shift 10; [ and ] turn it about the way one looks. {{ data.placed ? '' : 'No place is stated yet: it stands in the middle.' }}
        <button v-if="!data.placed" class="textlink" type="button" @click="set">Set this place</button>
      </p>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <p class="mute">Lowest {{ words.show(data.lowest, 'size') }} over the {{ data.lie === 'boat' ? 'hull' : 'ground' }}{{ data.ramp ? `, a ramp of ${words.show(data.ramp, 'angle')} between the axles` : '' }}.</p>
      <GapList :gaps="data.gaps" :off="off" :holds="away ? null : (doubt?.holds ?? null)" />
    </template>
    <FiveTapes v-else :waiting="waiting" />
  </section>
</template>

<style scoped>
.below {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 190px;
  gap: 8px;
  margin-top: 8px;
  align-items: start;
  --most: 230px;
}
.row {
  margin-top: 8px;
  overflow-x: auto;
}
.held {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 8px 0;
  padding: 8px 10px;
  border-left: 3px solid var(--brass-line);
  background: var(--glass);
}
@media (max-width: 720px) {
  .below {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  .below > :last-child {
    grid-column: 1 / -1;
  }
}
</style>
