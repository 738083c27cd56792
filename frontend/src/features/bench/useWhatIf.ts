import { useDebounceFn, useThrottleFn } from '@vueuse/core'
import { onBeforeUnmount, ref } from 'vue'
import { api } from '../../api/client'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'

const LIVE_SAMPLES = 256

/** Another wanted power, sized but not kept until it is set. */
export function useWhatIf() {
  const build = useBuild()
  const words = useVocabulary()
  const wanted = ref<number | null>(null)
  let running: AbortController | undefined

  const ask = useThrottleFn(async () => {
    if (wanted.value === null) return
    running?.abort()
    running = new AbortController()
    const signal = running.signal
    try {
      const report = await api.size({ ...build.document, wanted: text(wanted.value) }, 'none', signal)
      if (!signal.aborted && wanted.value !== null) build.whatIf = report
    } catch {
      // An aborted or refused what-if leaves the last good answer standing.
    }
  }, 60, true)

  const text = (watts: number) => `${words.number(watts, 'power').replaceAll(',', '')} ${words.unit('power')}`

  /** The bands of a what-if, once the line rests. */
  const settle = useDebounceFn(async () => {
    if (wanted.value === null) return
    const signal = running?.signal
    try {
      const report = await api.size({ ...build.document, wanted: text(wanted.value) }, 'none', signal, LIVE_SAMPLES)
      if (!signal?.aborted && wanted.value !== null) build.whatIf = report
    } catch {
      // The likely answer stands without its bands.
    }
  }, 250)

  function move(watts: number): void {
    wanted.value = watts
    void ask()
    void settle()
  }
  function drop(): void {
    running?.abort()
    wanted.value = null
    build.whatIf = null
  }
  async function keep(): Promise<void> {
    if (wanted.value === null) return
    const kept = text(wanted.value)
    wanted.value = null
    await build.edit('wanted', kept)
  }
  onBeforeUnmount(drop)
  return { wanted, move, drop, keep }
}
