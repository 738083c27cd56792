<script setup lang="ts">
import { computed } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { narrow, type FuelInstrument } from '../logic'

/** The circuit with its numbers written on it; the narrow place is marked. */
const props = defineProps<{ data: FuelInstrument; figures: Record<string, number | null> }>()
const words = useVocabulary()
const tight = computed(() => narrow(props.data))
const judged = computed(() => props.data.injection === 'port')
const returned = computed(() => props.data.rail_kind === 'returned')
const pump = computed(() => (props.data.point ? `gives ${words.show(props.data.point.flow, 'flow_fuel')}` : 'not given yet'))
const end = computed(() => ({ port: 'rail', direct: 'high-pressure pump', common_rail: 'high-pressure pump', mechanical: 'injection pump', carburettor: 'bowl' })[props.data.injection] ?? 'engine')
const inTank = computed(() => props.data.place === 'tank')
const volts = computed(() => (props.data.voltage === undefined || props.figures.pump_current_a === 0 ? '' : words.show(props.data.voltage, 'voltage')))
</script>

<template>
  <div class="drawing" tabindex="0"><svg viewBox="0 0 640 250" role="img" aria-label="Fuel circuit: tank, pump, filter, line and engine with their flows and pressures">
    <rect x="12" y="86" width="128" height="92" class="box" />
    <line x1="12" y1="112" x2="140" y2="112" class="level" />
    <text x="24" y="104">tank</text>
    <path :d="inTank ? 'M76 134 V60 H186' : 'M76 160 V60 H112 M150 60 H186'" class="pipe" />
    <circle :cx="inTank ? 76 : 131" :cy="inTank ? 152 : 60" r="18" class="pump" :class="{ tight: tight === 'pump' }" />
    <path :d="inTank ? 'M69 160 L76 141 L83 160 Z' : 'M123 67 L142 60 L123 53 Z'" class="arrow" />
    <rect x="186" y="46" width="52" height="28" class="box" />
    <text x="212" y="38" text-anchor="middle">filter</text>
    <path d="M238 60 H420" class="pipe" />
    <text x="328" y="50" text-anchor="middle">line {{ words.show(figures.line_pressure_drop_pa ?? null, 'pressure_difference') }} lost</text>
    <rect x="420" y="42" width="180" height="36" class="box" :class="{ tight: tight === 'injectors' }" />
    <text x="510" y="34" text-anchor="middle">{{ end }} {{ words.show(data.rail, 'pressure_gauge') }}</text>
    <g v-if="judged"><line v-for="x in [446, 489, 532, 575]" :key="x" :x1="x" y1="78" :x2="x" y2="98" class="inj" /></g>
    <text x="510" y="122" text-anchor="middle" :class="{ over: tight === 'injectors' }">
      {{ data.injector ? `injectors ${Math.round(100 * data.injector.share)} % of the cycle, ${Math.round(100 * data.injector.ceiling)} allowed` : judged ? 'injectors not given yet' : 'the engine’s own injectors: not judged' }}
    </text>
    <path v-if="returned" d="M600 60 H622 V226 H118 V178" class="return" />
    <text v-if="returned" x="420" y="218" text-anchor="middle">returns {{ words.show(figures.return_flow_m3_s ?? null, 'flow_fuel') }}</text>
    <text x="152" y="152" class="strong" :class="{ over: tight === 'pump' }">pump {{ pump }}{{ volts ? ` at ${volts}` : '' }}</text>
    <text x="152" y="174" class="strong" :class="{ over: tight === 'pump' }">asked {{ words.show(data.asked, 'flow_fuel') }} with its reserve</text>
    <text x="152" y="196">inlet {{ words.show(figures.vapour_margin_pa ?? null, 'pressure_difference') }} over boiling</text>
  </svg></div>
</template>

<style scoped>
.drawing {
  --lettering: 14px;
  --least: 520px;
}
.box {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.level,
.pipe {
  stroke: var(--fuel);
  fill: none;
}
.level {
  stroke-width: 1.5;
}
.pipe {
  stroke-width: 3.5;
}
.return {
  stroke: var(--fuel);
  stroke-width: 2;
  stroke-dasharray: 7 5;
  fill: none;
}
.pump {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2.2;
}
.arrow {
  fill: var(--fuel);
}
.inj {
  stroke: var(--ink);
  stroke-width: 3.5;
}
.tight {
  stroke: var(--over);
  stroke-width: 3.5;
}
.over {
  fill: var(--over);
  font-weight: 600;
}
</style>
