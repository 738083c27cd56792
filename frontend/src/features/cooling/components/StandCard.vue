<script setup lang="ts">
import { computed, ref } from 'vue'
import CautionNote from '../../../ui/CautionNote.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { minutes } from '../logic'
import Slide from '../../../ui/Slide.vue'
import Unseen from '../../../ui/Unseen.vue'

/** The engine run on its stand: how long with nothing fitted and why, and what a hose must bring. */
const build = useBuild()
const words = useVocabulary()
const si = (path: string) => build.build?.facts[path]?.si ?? null
const idle = computed(() => Math.round(si('engine.idle_speed') ?? 900))
const most = computed(() => Math.round(0.6 * (si('engine.limit_speed') ?? 5000)))
const rpm = ref<number | null>(null)
const outlet = ref(60)
const options = computed(() => ({ rpm: rpm.value ?? si('engine.idle_speed') ?? idle.value, outlet: outlet.value + 273.15 }))
const { data, waiting } = useInstrument('cooling/stand', options)
const stand = data
const speed = computed({ get: () => rpm.value ?? idle.value, set: (value: number) => (rpm.value = value) })
const longest = computed(() => Math.max(...(stand.value?.reasons.map((r) => r.seconds) ?? [1])))
const CAUTION = 'Outdoors or with the exhaust led out: carbon monoxide kills. Bolt the stand down, keep clear of belts and fan, a fire extinguisher within reach and a way to cut fuel and spark.'
</script>

<template>
  <section class="card pad">
    <h2 class="label">The engine on its stand</h2>
    <template v-if="stand">
      <p class="big">{{ minutes(stand.filled) }} filled, {{ minutes(stand.dry) }} dry: with no radiator at {{ Math.round(stand.rpm) }} rpm.</p>
      <ul>
        <li v-for="item in stand.reasons" :key="item.id" :class="{ least: item.id === stand.filled_by || item.id === 'dry' }">
          <span class="bar" :style="{ width: `${(100 * item.seconds) / longest}%` }" />
          <span class="why"><b>{{ minutes(item.seconds) }}</b> {{ item.name }}</span>
        </li>
      </ul>
      <Slide v-model="speed" label="Turning free at" :min="idle" :max="most" :step="50" :text="`${speed} rpm`" />
      <h3 class="label">Fed from a hose, the water let away</h3>
      <p>{{ words.show(stand.hose.flow, 'flow') }} keeps the outlet at {{ words.show(stand.hose.outlet, 'temperature') }}: hold it back at the inlet, {{ words.show(stand.hose.hole, 'size') }} for a tap of 200 kPa at {{ words.show(stand.hose.supply, 'temperature') }}, and leave the outlet free. It takes away {{ words.show(stand.heat, 'heat') }}.</p>
      <p class="mute">Some drill the outlet that size instead: the jacket, hoses and core plugs then stand at the main's 200 kPa, twice what a cap holds.<template v-if="stand.hose.clogs"> A hole so small is stopped by the first flake of rust: set the flow by a tap at the inlet, or run hotter water through more.</template></p>
      <Slide v-model="outlet" label="Outlet at" :min="30" :max="85" :text="words.show(outlet + 273.15, 'temperature')" />
      <CautionNote :text="CAUTION" />
    </template>
    <Unseen v-else :waiting="waiting">Give the engine's weight and idle speed to see how long it may run.</Unseen>
  </section>
</template>

<style scoped>
.big {
  font: 600 18px/1.3 var(--words);
  margin: 4px 0 8px;
}
ul {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
}
li {
  position: relative;
  padding: 5px 8px;
  margin-bottom: 3px;
}
.bar {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--glass);
  border-left: 3px solid var(--line);
}
.least .bar {
  border-left-color: var(--over);
}
.why {
  position: relative;
}
h3 {
  margin-top: 14px;
}
</style>
