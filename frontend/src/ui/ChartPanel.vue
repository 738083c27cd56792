<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import type { EChartsCoreOption } from 'echarts/core'
import VChart from 'vue-echarts'

/** A themed plot; loaded only where a station shows one. */
use([LineChart, ScatterChart, GridComponent, MarkAreaComponent, MarkLineComponent, TooltipComponent, SVGRenderer])
defineProps<{ option: EChartsCoreOption; label: string }>()
</script>

<template>
  <div class="plot" role="img" :aria-label="label">
    <VChart :option="option" autoresize />
  </div>
</template>

<style scoped>
.plot {
  height: 300px;
  width: 100%;
}
</style>
