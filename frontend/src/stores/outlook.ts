import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, type Change, type ExploreEvent, type Measure, type Part, type Schemas } from '../api/client'
import { useLatest } from '../api/useLatest'
import { useBuild } from './build'

const WAIT_MS = 250
/** Steps in which changes are worked, as they are called. */
export const STEPS: Record<string, string> = { changes: 'Changes run', pairs: 'Pairs run', sure: 'Drawn within the tolerances' }

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
  /** The builder stopped it: it waits for the next edit, or to be asked again. */
  const stopped = ref(false)
  const wanted = ref<Part[]>([])
  const key = computed(() => (build.build ? `${build.build.id} ${build.build.revision}` : ''))
  let have = new Set<Part>()
  let haveKey = ''

  function ask(parts: Part[]): void {
    wanted.value = parts
    begin()
  }

  function begin(): void {
    exploring.drop()
    progress.value = null
    if (!key.value) return
    if (haveKey !== key.value) {
      const other = haveKey.split(' ')[0] !== key.value.split(' ')[0]
      have = new Set()
      haveKey = key.value
      stopped.value = false
      stale.value = !other
      if (other) clear()
    }
    // What is being changed is not explored: it is asked again of what comes of it.
    if (!stopped.value && !build.saving && wanted.value.some((part) => !have.has(part))) void exploring.ask()
  }

  function clear(): void {
    singles.value = pairs.value = three.value = next.value = model.value = null
    verdict.value = ''
  }

  const exploring = useLatest(async (signal) => {
    const [at, parts] = [key.value, wanted.value.filter((part) => !have.has(part))]
    if (!at || !parts.length) return
    failed.value = false
    await api.explore(build.document, parts, signal, (event) => {
      if (!signal.aborted) take(event, at)
    })
    stale.value = false
    progress.value = null
  }, WAIT_MS, () => {
    failed.value = true
    progress.value = null
  }, true)

  function take(event: ExploreEvent, at: string): void {
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
  }

  watch([key, () => build.saving], begin)
  /** Not worked any further; what is there already stays. */
  function stop(): void {
    exploring.drop()
    progress.value = null
    stopped.value = true
  }
  function again(): void {
    stopped.value = false
    begin()
  }

  return { stopped, stop, again, sureNow, singles, pairs, three, verdict, next, model, progress, stale, failed, ask }
})
