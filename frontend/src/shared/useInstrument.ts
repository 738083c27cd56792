import { useThrottleFn } from '@vueuse/core'
import { onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue'
import { api } from '../api/client'
import { useBuild } from '../stores/build'

/** Data of a station's plot, asked again when the build or a setting changes; stale answers are dropped. */
export function useInstrument<T>(system: string, options: Ref<Record<string, number>>) {
  const build = useBuild()
  const data = shallowRef<T | null>(null)
  const failed = ref(false)
  let running: AbortController | undefined

  const ask = useThrottleFn(async () => {
    if (!build.build) return
    running?.abort()
    running = new AbortController()
    const signal = running.signal
    try {
      const answer = await api.instrument<T>(system, build.document, options.value, signal)
      if (!signal.aborted) data.value = answer.data
      failed.value = false
    } catch {
      failed.value = !signal.aborted
    }
  }, 70, true)

  watch([() => build.build?.revision, options], () => void ask(), { immediate: true, deep: true })
  onBeforeUnmount(() => running?.abort())
  return { data, failed }
}
