import { defineAsyncComponent } from 'vue'

/** Parts of the component library that a first page can do without: each comes when it is first shown. */
export const Fold = defineAsyncComponent(() => import('./Fold.vue'))
export const ProgressLine = defineAsyncComponent(() => import('./ProgressLine.vue'))
export const SidePanel = defineAsyncComponent(() => import('./SidePanel.vue'))
