<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { useDuty } from '../../../station/useDuty'
import DutyPick from '../../../station/DutyPick.vue'
import RestrictorTable from './RestrictorTable.vue'
import Slide from '../../../ui/Slide.vue'
import Unseen from '../../../ui/Unseen.vue'

/** The coolant's way round: flows as widths, pressures where they stand, the pump's inlet against boiling. */
const words = useVocabulary()
const { index } = useDuty('cooling')
const lift = ref(100)
const options = computed(() => ({ duty: index.value, lift: lift.value / 100 }))
const { data, waiting } = useInstrument('cooling/loop', options)
const loop = data
const over = (p: number) => words.show(p - (loop.value?.air_outside ?? 0), 'pressure_difference')
const flow = (name: 'core' | 'engine' | 'bypass' | 'heater') => words.show(loop.value?.flows[name] ?? 0, 'flow')
const thick = (name: 'core' | 'engine' | 'bypass' | 'heater') => {
  const most = loop.value?.flows.engine ?? 1
  return 1.5 + (9 * (loop.value?.flows[name] ?? 0)) / Math.max(most, 1e-9)
}
const tight = computed(() => (loop.value ? loop.value.pressures.pump_inlet < loop.value.inlet.needed : false))
const CAPS = { core: { x: 92, y: 46 }, core_cold: { x: 92, y: 46 }, remote: { x: 300, y: 46 } }
const cap = computed(() => CAPS[(loop.value?.header ?? 'core') as keyof typeof CAPS])
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">The coolant's way round, at its limit</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="loop">
      <div class="drawing" tabindex="0"><svg viewBox="0 0 640 336" role="img" :aria-label="`Coolant loop: ${flow('core')} through the core, pump inlet ${over(loop.pressures.pump_inlet)} over the air outside`">
        <path d="M430 86V66H92V84" class="hot pipe" :style="{ strokeWidth: thick('core') }" />
        <path d="M92 246V270H386" class="cool pipe" :style="{ strokeWidth: thick('core') }" />
        <path d="M414 256H450V236" class="cool pipe" :style="{ strokeWidth: thick('engine') }" />
        <path v-if="loop.flows.bypass > 1e-7" d="M350 66V270" class="hot pipe" :style="{ strokeWidth: thick('bypass') }" />
        <path v-if="loop.flows.heater > 1e-7" d="M560 110H604V214M604 214V292H400V284" class="hot pipe" :style="{ strokeWidth: thick('heater') }" />
        <path v-if="loop.header === 'remote'" d="M300 76V270" class="still" />
        <rect x="430" y="86" width="130" height="150" class="block" />
        <rect x="52" y="84" width="80" height="162" class="core" />
        <path v-for="i in 7" :key="i" :d="`M56 ${84 + 20 * i}h72`" class="fin" />
        <circle cx="400" cy="266" r="20" class="pump" />
        <rect v-if="loop.flows.heater > 1e-7" x="586" y="150" width="36" height="44" class="core" />
        <rect :x="cap.x - 12" :y="cap.y - 14" width="24" height="16" class="cap" />
        <path d="M384 58l14 8l-14 8z" class="valve" />
        <text x="495" y="150" text-anchor="middle" class="strong">engine</text>
        <text x="495" y="172" text-anchor="middle">{{ over(loop.pressures.block) }} in it</text>
        <text x="495" y="194" text-anchor="middle">{{ flow('engine') }}</text>
        <text x="142" y="164" class="strong">core</text>
        <text x="142" y="184">{{ flow('core') }}</text>
        <text x="140" y="100">{{ over(loop.pressures.core_inlet) }}</text>
        <text x="104" y="290">{{ over(loop.pressures.core_outlet) }}</text>
        <text x="424" y="60">{{ over(loop.pressures.engine_outlet) }}</text>
        <text x="350" y="307" text-anchor="end" class="strong" :class="{ over: tight }">pump's inlet {{ over(loop.pressures.pump_inlet) }}</text>
        <text x="350" y="327" text-anchor="end" :class="{ over: tight }">wants more than {{ over(loop.inlet.needed) }} there</text>
        <text x="428" y="316">pump {{ over(loop.pressures.pump_outlet) }} out</text>
        <text v-if="loop.flows.bypass > 1e-7" x="342" y="170" text-anchor="end">bypass {{ flow('bypass') }}</text>
        <text v-if="loop.flows.heater > 1e-7" x="580" y="250" text-anchor="end">heater {{ flow('heater') }}</text>
        <text :x="cap.x + 18" :y="cap.y - 2">cap holds {{ over(loop.held) }}</text>
      </svg></div>
      <Slide v-model="lift" label="Thermostat open" :min="1" :max="100" :text="`${lift} %`" />
      <p class="mute">Pressures over the air outside. In the block the coolant stands {{ words.show(loop.boiling_margin, 'temperature_difference') }} under boiling at its limit; the metal behind it is hotter.
        <template v-if="loop.pump === 'belt'">The pump turns at {{ loop.pump_speed_share.toFixed(2) }} of the speed its flow was stated at.</template>
      </p>
      <RestrictorTable :cases="loop.restrictors" :hole="loop.hole" />
    </template>
    <Unseen v-else :waiting="waiting">Give the core's width, height and depth, and the fan (or that there is none), to see the loop.</Unseen>
  </section>
</template>

<style scoped>
.drawing {
  --lettering: 17.5px;
}
.pipe {
  fill: none;
  stroke-linejoin: round;
}
.hot {
  stroke: var(--over);
}
.cool {
  stroke: var(--cooling);
}
.still {
  fill: none;
  stroke: var(--mute);
  stroke-dasharray: 5 4;
}
.block {
  fill: var(--glass);
  stroke: var(--ink);
  stroke-width: 2;
}
.core {
  fill: var(--card);
  stroke: var(--cooling);
  stroke-width: 2.5;
}
.fin {
  stroke: var(--cooling);
  opacity: 0.45;
}
.pump {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.cap {
  fill: var(--brass);
}
.valve {
  fill: var(--ink);
}
</style>
