import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, Offline, Problem, type Build, type Edit, type Report, type SheetDocument } from '../api/client'
import { withBands } from '../shared/bands'
import { UNIT_CHOICES, useVocabulary } from './vocabulary'

/** An edit with what it leaves unsaid. */
export const line = (path: string, text: string | null, more: Partial<Edit> = {}): Edit => ({ path, text, evidence: null, tolerance: null, action: 'set', index: 0, source: null, date: null, ...more })

interface Waiting {
  edits: Edit[]
  settle: (problem: Problem | null) => void
}

const RETRY_MS = 3000
const keptKey = (id: string) => `gauge-well-kept-${id}`
const pathKey = (id: string) => `gauge-well-undo-${id}`

/** Revisions that undo and redo lead to, kept for the session so that a reload does not lose the way back. */
function recall(id: string): [number[], number[]] {
  try {
    const found = JSON.parse(sessionStorage.getItem(pathKey(id)) ?? '[[],[]]') as [number[], number[]]
    return [found[0].filter(Number.isInteger), found[1].filter(Number.isInteger)]
  } catch {
    return [[], []]
  }
}

/** The open build: its report, edits sent one after another, undo and redo, and edits kept while offline. */
export const useBuild = defineStore('build', () => {
  const build = shallowRef<Build | null>(null)
  const trouble = ref<string>('')
  const saving = ref(false)
  const offline = ref(false)
  const conflict = shallowRef<{ current: Build; edits: Edit[] } | null>(null)
  const whatIf = shallowRef<Report | null>(null)
  const explain = ref('governing')
  /** The fact whose claims, tolerance and solutions are open. */
  const asked = ref<string | null>(null)
  const undoable = ref<number[]>([])
  const redoable = ref<number[]>([])
  const queue: Waiting[] = []
  let draining = false
  let retry: ReturnType<typeof setTimeout> | undefined

  /** Bands that stand for the revision shown; another window of the same build may be ahead of them. */
  const bands = shallowRef<{ key: string; report: Report } | null>(null)
  const report = computed<Report | null>(() => {
    if (whatIf.value) return whatIf.value
    const own = build.value
    if (!own) return null
    return bands.value?.key === `${own.id} ${own.revision}` ? withBands(own.report, bands.value.report) : own.report
  })
  watch([undoable, redoable], () => {
    if (build.value) sessionStorage.setItem(pathKey(build.value.id), JSON.stringify([undoable.value, redoable.value]))
  }, { deep: true })
  const document = computed<SheetDocument>(() => build.value?.document ?? {})

  function accept(next: Build): void {
    build.value = next
    whatIf.value = null
    const words = useVocabulary()
    words.units = next.report.units
  }

  async function open(id: string): Promise<void> {
    trouble.value = ''
    if (build.value?.id !== id) {
      build.value = null
      ;[undoable.value, redoable.value] = recall(id)
      queue.length = 0
    }
    try {
      accept(await api.build(id, explain.value))
      resumeKept(id)
    } catch (error) {
      trouble.value = error instanceof Error ? error.message : 'The build did not load.'
    }
  }

  /** Edits that never reached the server in an earlier visit are sent now. */
  function resumeKept(id: string): void {
    const kept = localStorage.getItem(keptKey(id))
    if (!kept || queue.length) return
    try {
      for (const edits of JSON.parse(kept) as Edit[][]) void enqueue(edits)
    } catch {
      localStorage.removeItem(keptKey(id))
    }
  }

  function keep(): void {
    if (!build.value) return
    if (queue.length) localStorage.setItem(keptKey(build.value.id), JSON.stringify(queue.map((w) => w.edits)))
    else localStorage.removeItem(keptKey(build.value.id))
  }

  /** Send edits; resolves to the problem that refused them, or null once they are kept. */
  function enqueue(edits: Edit[]): Promise<Problem | null> {
    return new Promise((settle) => {
      queue.push({ edits, settle })
      keep()
      void drain()
    })
  }

  async function drain(): Promise<void> {
    if (draining || conflict.value) return
    draining = true
    saving.value = true
    while (queue.length && build.value) {
      const next = queue[0]
      if (!next) break
      const before = build.value.revision
      try {
        const after = await api.edit(build.value.id, before, next.edits)
        offline.value = false
        if (after.revision !== before) {
          undoable.value.push(before)
          redoable.value = []
        }
        accept(after)
        queue.shift()
        next.settle(null)
      } catch (error) {
        if (error instanceof Offline || (error instanceof Problem && error.status >= 500)) {
          offline.value = true
          clearTimeout(retry)
          retry = setTimeout(() => void drain(), RETRY_MS)
          break
        }
        queue.shift()
        if (error instanceof Problem && error.status === 409 && error.current) conflict.value = { current: error.current, edits: next.edits }
        next.settle(error instanceof Problem ? error : new Problem(0, 'unknown', String(error)))
        if (conflict.value) break
      }
      keep()
    }
    keep()
    draining = false
    saving.value = false
  }

  const edit = (path: string, text: string | null, evidence?: Edit['evidence']) => enqueue([line(path, text, { evidence: evidence ?? null })])

  function showIn(choice: number): void {
    const units = UNIT_CHOICES[choice % UNIT_CHOICES.length]
    if (!units) return
    void enqueue([line('units.system', units.system), line('units.power', units.power)])
  }

  /** After a conflict: take what stands, or put one's own edit on top of it. */
  function settleConflict(mine: boolean): void {
    const found = conflict.value
    if (!found) return
    conflict.value = null
    accept(found.current)
    if (mine) void enqueue(found.edits)
    else void drain()
  }

  async function travel(from: typeof undoable, to: typeof redoable): Promise<void> {
    const target = from.value.pop()
    if (target === undefined || !build.value) return
    const here = build.value.revision
    try {
      accept(await api.bringBack(build.value.id, here, target))
      to.value.push(here)
    } catch (error) {
      from.value.push(target)
      if (error instanceof Problem && error.current) conflict.value = { current: error.current, edits: [] }
      else offline.value = error instanceof Offline
    }
  }
  const undo = () => travel(undoable, redoable)
  const redo = () => travel(redoable, undoable)

  async function bringBack(revision: number): Promise<void> {
    if (!build.value) return
    const here = build.value.revision
    accept(await api.bringBack(build.value.id, here, revision))
    undoable.value.push(here)
  }

  async function explainDuty(duty: string): Promise<void> {
    explain.value = duty
    if (build.value) accept(await api.build(build.value.id, duty))
  }

  return {
    build, report, document, trouble, saving, offline, conflict, whatIf, explain, undoable, redoable,
    bands, asked, open, accept, edit, enqueue, showIn, settleConflict, undo, redo, bringBack, explainDuty,
  }
})
