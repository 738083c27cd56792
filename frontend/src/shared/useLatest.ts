import { useThrottleFn } from '@vueuse/core'
import { getCurrentScope, onScopeDispose } from 'vue'
import { whileBusy } from './busy'

/** Work asked for again and again: at most once in `wait` ms, and of several only the last is let finish.
 * `refused` takes what went wrong with one that was not dropped. */
export function useLatest(work: (signal: AbortSignal) => Promise<void>, wait = 0, refused: (error: unknown) => void = () => {}) {
  let running: AbortController | undefined
  const run = useThrottleFn(async () => {
    running?.abort()
    const mine = (running = new AbortController())
    try {
      await work(mine.signal)
    } catch (error) {
      if (!mine.signal.aborted) refused(error)
    }
  }, wait, true)
  const drop = () => running?.abort()
  if (getCurrentScope()) onScopeDispose(drop)
  return { ask: () => whileBusy(Promise.resolve(run())), drop }
}
