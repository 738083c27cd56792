import { useDebounceFn } from '@vueuse/core'
import { onBeforeUnmount, ref } from 'vue'
import { api, type Samples } from '../../api/client'
import { whileBusy } from '../../api/busy'
import { useLatest } from '../../api/useLatest'
import { line, useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'

const LIVE_SAMPLES = 256

/** Another wanted power, sized but not kept until it is set. */
export function useWhatIf() {
  const build = useBuild()
  const words = useVocabulary()
  const wanted = ref<number | null>(null)
  const text = (watts: number) => `${words.number(watts, 'power').replaceAll(',', '')} ${words.unit('power')}`

  /** An aborted or refused what-if leaves the last good answer standing. */
  const size = (samples: Samples) => async (signal: AbortSignal) => {
    if (wanted.value === null) return
    const report = await api.size({ ...build.document, wanted: text(wanted.value) }, 'none', signal, samples)
    if (wanted.value !== null) build.whatIf = report
  }
  const likely = useLatest(size(0), 60)
  const banded = useLatest(size(LIVE_SAMPLES))
  /** The bands of a what-if come once the line rests. */
  const settle = useDebounceFn(banded.ask, 250)

  function move(watts: number): void {
    wanted.value = watts
    banded.drop()
    void likely.ask()
    void whileBusy(settle())
  }
  function drop(): void {
    likely.drop()
    banded.drop()
    wanted.value = null
    build.whatIf = null
  }
  async function keep(): Promise<void> {
    if (wanted.value === null) return
    const kept = text(wanted.value)
    wanted.value = null
    await build.send([line('wanted', kept)])
  }
  onBeforeUnmount(drop)
  return { wanted, move, drop, keep }
}
