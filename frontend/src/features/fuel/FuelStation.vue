<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import FactPanel from '../../shared/FactPanel.vue'
import StationFrame from '../../shared/StationFrame.vue'
import { useInstrument } from '../../shared/useInstrument'
import { useBuild } from '../../stores/build'
import FuelCircuit from './components/FuelCircuit.vue'
import PumpPlot from './components/PumpPlot.vue'
import type { FuelInstrument } from './logic'

const build = useBuild()
const index = ref(0)
const voltage = ref<number | null>(null)
const duties = computed(() => build.report?.duties ?? [])
watch(() => build.report?.systems.fuel?.governing?.duty, (id) => {
  const found = duties.value.findIndex((d) => d.id === id)
  if (found >= 0) index.value = found
}, { immediate: true })
const options = computed(() => ({ duty: index.value, ...(voltage.value === null ? {} : { voltage: voltage.value }) }))
const { data } = useInstrument<FuelInstrument>('fuel', options)
const figures = computed(() => build.report?.systems.fuel?.figures[duties.value[index.value]?.id ?? ''] ?? {})
</script>

<template>
  <StationFrame system="fuel">
    <template #fitted="{ block }">
      <FactPanel section="fuel" :cautions="block?.cautions ?? []" />
    </template>
    <template #instrument>
      <section class="card pad">
        <div class="cardhead">
          <h2 class="label">From tank to engine</h2>
          <select v-model="index" class="cardpick" aria-label="Duty"><option v-for="(duty, i) in duties" :key="duty.id" :value="i">{{ duty.name }}</option></select>
        </div>
        <FuelCircuit v-if="data" :data="data" :figures="figures" />
      </section>
      <PumpPlot v-if="data" v-model:voltage="voltage" :data="data" :duty="duties[index]?.id ?? ''" />
    </template>
  </StationFrame>
</template>
