import { computedAsync, refDebounced } from '@vueuse/core'
import type { Ref } from 'vue'
import { api, Problem } from '../api/client'
import { useVocabulary } from '../stores/vocabulary'

export interface Trouble {
  message: string
  allowed: string
}

/** What was understood of a text, or why nothing was. */
export interface Reading {
  understood: string
  trouble: Trouble | null
}

const NOTHING: Reading = { understood: '', trouble: null }
const WAIT_MS = 120

/** What went wrong, with what would be understood. */
export const troubleOf = (problem: Problem): Trouble => ({ message: problem.message, allowed: problem.problems[0]?.allowed ?? '' })

/** What the server reads in a text while it is typed, once the typing rests; nothing where no kind is asked for. */
export function useReading(text: Ref<string>, kind: () => string): Ref<Reading> {
  const words = useVocabulary()
  const rested = refDebounced(text, WAIT_MS)
  let last = NOTHING
  return computedAsync<Reading>(async (onCancel) => {
    if (!kind() || !text.value.trim()) return (last = NOTHING)
    if (rested.value !== text.value) return last
    const dropped = new AbortController()
    onCancel(() => dropped.abort())
    try {
      const found = await api.read(rested.value, kind(), words.units, dropped.signal)
      last = { understood: `= ${found.count > 1 ? `${found.count} × ` : ''}${found.shown}`, trouble: null }
    } catch (error) {
      if (!dropped.signal.aborted) last = { understood: '', trouble: error instanceof Problem ? troubleOf(error) : null }
    }
    return last
  }, NOTHING)
}
