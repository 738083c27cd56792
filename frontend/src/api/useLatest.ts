import { useThrottleFn } from '@vueuse/core'
import { getCurrentScope, onScopeDispose } from 'vue'
import { Problem } from './client'
import { whileBusy } from './busy'

const TRIES = 5 // where the server asks for patience

/** Some time, or until it is dropped. */
const pause = (ms: number, signal: AbortSignal) =>
  new Promise<void>((resolve) => {
    const timer = setTimeout(resolve, ms)
    signal.addEventListener('abort', () => (clearTimeout(timer), resolve()), { once: true })
  })

/** Work asked for again and again: at most once in `wait` ms, and of several only the last is let finish.
 * Asked for patience, it comes again by itself. `refused` takes what went wrong with one that was not dropped; `aside`:
 * the page is not busy for it. */
export function useLatest(work: (signal: AbortSignal) => Promise<void>, wait = 0, refused: (error: unknown) => void = () => {}, aside = false) {
  let running: AbortController | undefined
  const run = useThrottleFn(async () => {
    running?.abort()
    const mine = (running = new AbortController())
    for (let turn = 1; !mine.signal.aborted; turn++) {
      try {
        return await work(mine.signal)
      } catch (error) {
        if (mine.signal.aborted) return
        const later = error instanceof Problem && turn < TRIES ? error.retryMs : 0
        if (!later) return refused(error)
        await pause(later, mine.signal)
      }
    }
  }, wait, true)
  const drop = () => running?.abort()
  if (getCurrentScope()) onScopeDispose(drop)
  const ask = () => (aside ? Promise.resolve(run()) : whileBusy(Promise.resolve(run())))
  return { ask, drop }
}
