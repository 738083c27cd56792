import { createSharedComposable, useMediaQuery } from '@vueuse/core'

/** Whether the page is as narrow as a phone: listened for once, however many ask. */
export const useNarrow = createSharedComposable(() => useMediaQuery('(max-width: 720px)'))
