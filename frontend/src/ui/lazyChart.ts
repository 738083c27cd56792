import { defineAsyncComponent } from 'vue'
import { whileBusy } from '../api/busy'

/** The plot, loaded with the first station that shows one. */
export const ChartPanel = defineAsyncComponent(() => whileBusy(import('./ChartPanel.vue')))
