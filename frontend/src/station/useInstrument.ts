import { ref, shallowRef, watch, type Ref } from 'vue'
import { api, type Schemas, type View, type ViewName } from '../api/client'
import { useBuild } from '../stores/build'
import { useLatest } from '../api/useLatest'

/** A station's drawing, asked again when the build or a setting changes; stale answers are dropped. */
export function useInstrument<V extends ViewName>(view: V, options: Ref<Record<string, number>>) {
  const build = useBuild()
  const data = shallowRef<View<V> | null>(null)
  /** Facts it waits for. */
  const unknown = shallowRef<string[]>([])
  /** Edits that its facts come to. */
  const offered = shallowRef<Schemas['EditOut'][]>([])
  const failed = ref(false)
  /** Until the first answer. */
  const waiting = ref(true)
  const { ask } = useLatest(async (signal) => {
    if (!build.build) return
    const answer = await api.view(view, build.document, options.value, signal)
    data.value = answer.data as View<V> | null
    unknown.value = answer.unknown
    offered.value = answer.edits
    failed.value = waiting.value = false
  }, 70, () => {
    failed.value = true
    waiting.value = false
  })
  watch([() => build.build?.revision, options], () => void ask(), { immediate: true, deep: true })
  return { data, unknown, offered, failed, waiting }
}
