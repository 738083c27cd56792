import { ref, shallowRef, watch, type Ref } from 'vue'
import { api } from '../api/client'
import { useBuild } from '../stores/build'
import { useLatest } from './useLatest'

/** Data of a station's plot, asked again when the build or a setting changes; stale answers are dropped. */
export function useInstrument<T>(system: string, options: Ref<Record<string, number>>) {
  const build = useBuild()
  const data = shallowRef<T | null>(null)
  const failed = ref(false)
  const { ask } = useLatest(async (signal) => {
    if (!build.build) return
    const answer = await api.instrument<T>(system, build.document, options.value, signal)
    data.value = answer.data
    failed.value = false
  }, 70, () => (failed.value = true))
  watch([() => build.build?.revision, options], () => void ask(), { immediate: true, deep: true })
  return { data, failed }
}
