import { ref, shallowRef, watch } from 'vue'
import { api, type Schemas, type SeekName, type Sought } from '../api/client'
import { useLatest } from '../api/useLatest'
import { useBuild } from '../stores/build'

/** A station's long search: begun by the builder, told as it goes, dropped when the build changes. */
export function useSearch<S extends SeekName>(search: S) {
  const build = useBuild()
  const found = shallowRef<Sought<S> | null>(null)
  const offered = shallowRef<Schemas['EditOut'][]>([])
  const progress = ref<{ done: number; of: number } | null>(null)
  /** Facts it waits for. */
  const missing = shallowRef<string[]>([])
  const failed = ref(false)
  /** What is found is of another state of the build. */
  const stale = ref(false)
  const { ask, drop } = useLatest(async (signal) => {
    failed.value = false
    missing.value = []
    progress.value = { done: 0, of: 1 }
    await api.seek(search, build.document, signal, (event) => {
      if (signal.aborted) return
      if (event.event === 'progress') progress.value = { done: event.done ?? 0, of: event.of ?? 1 }
      else if (event.event === 'unknown') missing.value = event.missing ?? []
      else {
        found.value = event.data as Sought<S>
        offered.value = event.edits ?? []
        stale.value = false
      }
    })
    progress.value = null
  }, 0, () => {
    failed.value = true
    progress.value = null
  })
  function stop(): void {
    drop()
    progress.value = null
  }
  watch(() => `${build.build?.id} ${build.build?.revision}`, (now, was) => {
    stop()
    stale.value = found.value !== null
    if (now.split(' ')[0] !== was.split(' ')[0]) found.value = null
  })
  return { found, offered, progress, missing, failed, stale, ask, stop }
}
