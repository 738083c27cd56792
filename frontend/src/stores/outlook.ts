import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, Problem, type Change, type Measure, type Schemas } from '../api/client'
import { useBuild } from './build'

const WAIT_MS = 250
export type Part = 'bands' | 'changes' | 'measure'

/** How sure the verdict is, what would move it, what to measure next: worked by the server bit by bit for the
 * build as it is kept, dropped and begun again when that changes. What a page does not show is not asked for. */
export const useOutlook = defineStore('outlook', () => {
  const build = useBuild()
  const singles = shallowRef<Change[] | null>(null)
  const pairs = shallowRef<Change[] | null>(null)
  /** Three that mend it together, where neither one nor two do; and whether anything tried does. */
  const three = shallowRef<Change | null>(null)
  const verdict = ref('')
  const next = shallowRef<Measure[] | null>(null)
  const model = shallowRef<Schemas['ModelSpreadOut'] | null>(null)
  const progress = ref<{ what: string; done: number; of: number } | null>(null)
  /** Chance that the build holds as it stands, from the same draws as each change's. */
  const sureNow = ref<number | null>(null)
  const stale = ref(false)
  const failed = ref(false)
  const wanted = ref<Part[]>([])
  const key = computed(() => (build.build ? `${build.build.id} ${build.build.revision}` : ''))
  let have = new Set<Part>()
  let haveKey = ''
  let running: AbortController | undefined
  let timer: ReturnType<typeof setTimeout> | undefined

  function ask(parts: Part[]): void {
    wanted.value = parts
    begin()
  }

  function begin(): void {
    clearTimeout(timer)
    running?.abort()
    progress.value = null
    if (!key.value) return
    if (haveKey !== key.value) {
      const other = haveKey.split(' ')[0] !== key.value.split(' ')[0]
      have = new Set()
      haveKey = key.value
      stale.value = !other
      if (other) clear()
    }
    const parts = wanted.value.filter((part) => !have.has(part))
    if (!parts.length) return
    timer = setTimeout(() => void work(parts), WAIT_MS)
  }

  function clear(): void {
    singles.value = pairs.value = three.value = next.value = model.value = null
    verdict.value = ''
  }

  async function work(parts: Part[]): Promise<void> {
    const mine = new AbortController()
    running = mine
    const at = key.value
    failed.value = false
    try {
      await api.explore(build.document, parts, mine.signal, (event) => {
        if (mine.signal.aborted) return
        if (event.event === 'report' && event.report) {
          build.bands = { key: at, report: event.report }
          have.add('bands')
        } else if (event.event === 'progress') {
          progress.value = { what: event.what ?? '', done: event.done ?? 0, of: event.of ?? 1 }
        } else if (event.event === 'changes') {
          singles.value = event.singles ?? []
          if (!event.pairs) {
            // Of this revision none are worked yet; those of another do not belong under these.
            pairs.value = three.value = null
            verdict.value = ''
          } else {
            pairs.value = event.pairs
            three.value = event.three ?? null
            verdict.value = event.verdict ?? ''
            sureNow.value = event.sure ?? null
            have.add('changes')
          }
        } else if (event.event === 'measure') {
          next.value = event.next ?? []
          model.value = event.model ?? null
          have.add('measure')
        }
      })
      stale.value = false
    } catch (error) {
      if (mine.signal.aborted || error instanceof DOMException) return
      // Too much is worked just now: asked again by itself, when the server says so.
      if (error instanceof Problem && error.retryMs) timer = setTimeout(() => void work(parts), error.retryMs)
      else failed.value = true
    } finally {
      if (running === mine) progress.value = null
    }
  }

  watch(key, begin)
  return { sureNow, singles, pairs, three, verdict, next, model, progress, stale, failed, ask }
})
