import { useSessionStorage } from '@vueuse/core'

/** Which belt is looked at: the same in every drawing. */
export const useBelt = () => useSessionStorage('belts-belt', 0)
