import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api, Offline, Problem, type Build, type Edit, type Report, type SheetDocument } from '../api/client'
import { withBands } from '../station/bands'
import { changedElsewhere } from '../station/elsewhere'
import { useAside } from './aside'
import { Keeper, newId, type Kept } from './kept'
import { usePath } from './path'
import { UNIT_CHOICES, useVocabulary } from './vocabulary'

/** An edit with what it leaves unsaid. */
export const line = (path: string, text: string | null, more: Partial<Edit> = {}): Edit => ({ path, text, evidence: null, tolerance: null, action: 'set', index: 0, source: null, date: null, ...more })

interface Waiting extends Kept {
  /** Tells whoever typed it; null where it comes from an earlier visit. */
  settle: ((problem: Problem | null) => void) | null
}

const RETRY_MS = 3000
const AWAY = new Set([502, 503, 504])

/** The open build: its report, edits sent one after another, undo and redo, and edits kept until they are taken. */
export const useBuild = defineStore('build', () => {
  const build = shallowRef<Build | null>(null)
  const trouble = ref<string>('')
  const saving = ref(false)
  /** Why nothing can be kept just now; empty while all is well. */
  const offline = ref('')
  const conflict = shallowRef<{ current: Build; edits: Edit[] } | null>(null)
  /** What others changed in facts this window did not touch. */
  const elsewhere = ref<string[]>([])
  /** What could not be done with the whole build, and why. */
  const failed = ref('')
  const whatIf = shallowRef<Report | null>(null)
  const explain = ref('governing')
  /** The fact whose claims, tolerance and solutions are open. */
  const asked = ref<string | null>(null)
  const path = usePath(() => build.value, back, () => conflict.value !== null)
  const { undoable, redoable, recall } = path
  const keeper = new Keeper()
  const { aside, asideOf, setAside, takeAside, look: lookAside } = useAside(keeper, () => build.value?.id)
  const queue: Waiting[] = []
  const unsent = shallowRef<Edit[]>([]) // of the build shown
  /** The build this window shows or is about to: an answer about another must not stand in its place. */
  let shown = ''
  let draining = false
  let retry: ReturnType<typeof setTimeout> | undefined

  /** Bands that stand for the revision shown; another window of the same build may be ahead of them. */
  const bands = shallowRef<{ key: string; report: Report } | null>(null)
  const report = computed<Report | null>(() => {
    if (whatIf.value) return whatIf.value
    const own = build.value
    if (!own?.report) return null
    return bands.value?.key === `${own.id} ${own.revision}` ? withBands(own.report, bands.value.report) : own.report
  })
  const document = computed<SheetDocument>(() => build.value?.document ?? {})

  /** Show a build as the server has it, unless another has been opened meanwhile. */
  function accept(next: Build): void {
    if (next.id !== shown) return
    build.value = next
    whatIf.value = null
    if (next.report) useVocabulary().units = next.report.units
  }

  function leave(): void {
    shown = ''
    build.value = null
  }

  async function open(id: string): Promise<void> {
    trouble.value = failed.value = ''
    shown = id
    if (build.value?.id !== id) {
      build.value = null
      elsewhere.value = []
      recall(id)
    }
    try {
      accept(await api.build(id, explain.value))
      offline.value = ''
      lookAside()
      await resume()
    } catch (error) {
      if (shown === id) trouble.value = error instanceof Error ? error.message : 'The build did not load.'
    }
  }

  /** Edits that windows now closed could not send are sent by this one. */
  async function resume(): Promise<void> {
    const found = await keeper.adopt()
    queue.push(...found.map((kept) => ({ ...kept, settle: null })))
    keep()
    if (queue.length) void drain()
  }

  const keep = () => (unsent.value = keeper.keep(queue.map(({ id, build: of, base, edits }) => ({ id, build: of, base, edits })), shown))

  /** Send what was set aside once more, on the build as it is shown, or let it go. */
  function settleAside(id: string, again: boolean): void {
    const found = takeAside(id)
    if (found && again && build.value) void send(found.edits)
  }

  /** Send edits; resolves to the problem that refused them, or null once they are kept. */
  function enqueue(edits: Edit[]): Promise<Problem | null> {
    const own = build.value
    if (!own) return Promise.resolve(null)
    return new Promise((settle) => {
      queue.push({ id: newId(), build: own.id, base: own.revision, edits, settle })
      keep()
      void drain()
    })
  }

  /** Send edits that no field waits for: a refusal is set aside and shown. */
  async function send(edits: Edit[]): Promise<void> {
    const of = build.value
    const problem = await enqueue(edits)
    if (problem && of && problem.status !== 409 && problem.status < 500) setAside({ id: newId(), build: of.id, base: of.revision, edits }, problem.message)
  }

  async function drain(): Promise<void> {
    if (draining || conflict.value) return
    draining = true
    saving.value = true
    clearTimeout(retry)
    while (queue.length && !conflict.value) {
      const next = queue[0]
      if (!next) break
      try {
        take(next, await api.edit(next.build, next.base, next.edits, build.value))
      } catch (error) {
        if (away(error)) break
        refuse(next, error instanceof Problem ? error : new Problem(0, 'unknown', String(error)))
      }
      keep()
    }
    draining = false
    saving.value = false
  }

  /** Whether nobody answers just now: then all waits, and is tried again. */
  function away(error: unknown): boolean {
    const gone = error instanceof Offline || (error instanceof Problem && AWAY.has(error.status))
    if (gone) {
      offline.value = error.message
      clearTimeout(retry)
      retry = setTimeout(() => void drain(), (error instanceof Problem && error.retryMs) || RETRY_MS)
    }
    return gone
  }

  function take(next: Waiting, after: Build): void {
    queue.shift()
    offline.value = ''
    const before = build.value?.id === next.build ? build.value : null
    const alone = after.revision === next.base + 1
    // What this window typed on the same revision was typed knowing this edit.
    if (alone) for (const later of queue) if (later.build === next.build && later.base === next.base) later.base = after.revision
    if (before && after.revision !== before.revision) {
      if (after.revision > before.revision + 1) {
        elsewhere.value = changedElsewhere(before, after, next.edits)
        undoable.value = []
      }
      undoable.value.push(after.revision - 1)
      redoable.value = []
    }
    accept(after)
    next.settle?.(null)
  }

  function refuse(next: Waiting, problem: Problem): void {
    offline.value = '' // it answers, if only with no
    const here = next.build === shown
    if (problem.status === 409 && problem.current && here) {
      conflict.value = { current: problem.current, edits: next.edits }
      return
    }
    queue.shift()
    if (!next.settle || !here || problem.status >= 500) setAside(next, problem.message)
    next.settle?.(problem)
  }

  const edit = (path: string, text: string | null, evidence?: Edit['evidence']) => enqueue([line(path, text, { evidence: evidence ?? null })])

  function showIn(choice: number): void {
    const units = UNIT_CHOICES[choice % UNIT_CHOICES.length]
    if (!units) return
    void send([line('units.system', units.system), line('units.power', units.power)])
  }

  /** After a conflict: take what stands, or put one's own edit on top of it. */
  function settleConflict(mine: boolean): void {
    const found = conflict.value
    if (!found) return
    const next = found.edits.length ? queue[0] : undefined
    conflict.value = null
    undoable.value = []
    redoable.value = []
    accept(found.current)
    if (next && mine) next.base = found.current.revision
    else if (next) {
      queue.shift()
      next.settle?.(null)
    }
    keep()
    void drain()
  }

  /** A step of the whole build, told where it fails. */
  async function whole<T>(what: string, work: () => Promise<T>): Promise<T | undefined> {
    failed.value = ''
    try {
      const done = await work()
      offline.value = ''
      return done
    } catch (error) {
      if (error instanceof Problem && error.status === 409 && error.current) conflict.value = { current: error.current, edits: [] }
      else failed.value = `${what}: ${error instanceof Error ? error.message : String(error)}`
      return undefined
    }
  }

  /** The build as it was at a revision, kept as a new one. */
  async function back(what: string, revision: number): Promise<boolean> {
    const own = build.value
    const found = own && (await whole(what, () => api.bringBack(own.id, own.revision, revision)))
    if (found) accept(found)
    return Boolean(found)
  }
  const undo = () => path.travel('Not undone', undoable, redoable)
  const redo = () => path.travel('Not done again', redoable, undoable)
  const bringBack = (revision: number) => path.leave('Not brought back', revision)

  async function explainDuty(duty: string): Promise<void> {
    explain.value = duty
    const own = build.value
    if (!own) return
    const found = await whole('Not explained', () => api.build(own.id, duty))
    // An edit may have been taken meanwhile: its answer is newer than this one.
    if (found && found.revision >= (build.value?.revision ?? 0)) accept(found)
  }

  return {
    build, report, document, trouble, saving, unsent, offline, conflict, elsewhere, failed, aside, asideOf, whatIf, explain, undoable, redoable,
    bands, asked, open, leave, edit, enqueue, send, setAside, settleAside, showIn, settleConflict, undo, redo, bringBack, explainDuty, whole,
  }
})
