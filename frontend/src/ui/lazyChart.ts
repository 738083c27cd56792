import { defineAsyncComponent, h } from 'vue'
import { whileBusy } from '../api/busy'
import Waiting from './Waiting.vue'

const HEIGHT = 300 // px, as the plot's

/** The plot, loaded with the first station that shows one; its room is kept until then. */
export const ChartPanel = defineAsyncComponent({
  loader: () => whileBusy(import('./ChartPanel.vue')),
  loadingComponent: () => h(Waiting, { label: 'The plot is on its way', height: HEIGHT }),
  delay: 0,
})
