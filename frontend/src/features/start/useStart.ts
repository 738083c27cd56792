import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Edit } from '../../api/client'
import { floor } from '../../api/floor'
import { line, useBuild } from '../../stores/build'
import { entryAt, type Fields } from '../../stores/entry'
import { shortId } from '../../stores/shortId'
import { useVocabulary } from '../../stores/vocabulary'
import { keyOf, lasted, newest, proved, recordOf, running, siOf, standing, type Faults, type Hold, type Run, type Start, type Step, type Taken } from './logic'
import { dayOf } from '../../ui/day'
import { said } from '../../ui/said'
import { withUnit } from '../../ui/withUnit'

const ASK_MS = 4000

/** A first start of the open build: its plan as it was last worked, its record with what is not sent yet, and the server's clock. */
export const useStart = defineStore('start', () => {
  const build = useBuild()
  const words = useVocabulary()
  const plan = shallowRef<Start | null>(null)
  const faults = shallowRef<Faults | null>(null)
  const of = ref('')
  const trouble = ref('')
  const faultsTrouble = ref('')
  /** The server's clock over this device's [ms]: two phones on one start go by one clock. */
  const ahead = ref(0)
  const at = ref(Date.now())
  const now = computed(() => at.value + ahead.value)
  const setClock = (iso: string, asked: number) => (ahead.value = Date.parse(iso) - (asked + Date.now()) / 2)
  const moment = () => new Date(Date.now() + ahead.value).toISOString()

  async function load(signal: AbortSignal): Promise<void> {
    const own = build.build
    if (!own) return
    if (of.value !== own.id) plan.value = faults.value = null
    const asked = Date.now()
    const found = await floor.start(build.document, signal)
    if (signal.aborted || build.build?.id !== own.id) return
    if (Date.now() - asked < ASK_MS) setClock(found.now, asked)
    plan.value = found
    of.value = own.id
    trouble.value = ''
  }
  const refused = (error: unknown) => (trouble.value = said(error))
  async function loadFaults(signal: AbortSignal): Promise<void> {
    const own = build.build
    if (!own || !record.value.symptom) return void (faults.value = null)
    const found = await floor.faults(build.document, signal)
    if (signal.aborted || build.build?.id !== own.id) return
    faults.value = found
    faultsTrouble.value = ''
  }
  const faultsRefused = (error: unknown) => (faultsTrouble.value = said(error))

  /** Whether another window or phone wrote the build since; then it is read again. */
  async function listen(signal: AbortSignal): Promise<void> {
    const own = build.build
    if (!own || build.unsent.length || build.saving || document.hidden) return
    const asked = Date.now()
    try {
      const found = await floor.newest(own.id, signal)
      if (!found || signal.aborted) return
      setClock(found.now, asked)
      if (found.revision > own.revision && !build.unsent.length && !build.saving && build.build?.id === own.id) await build.open(own.id)
    } catch {
      // Nobody answers just now: what is not sent says so where it stands.
    }
  }

  const record = computed(() => recordOf(build.document, build.unsent))
  const place = computed(() => record.value.place || plan.value?.place || 'machine')
  /** Runs in this place; those of an older record count everywhere. */
  const runs = computed(() => record.value.runs.filter((r) => (r.place ?? place.value) === place.value))
  const run = computed(() => running(record.value))
  const step = computed(() => plan.value?.steps.find((s) => s.id === run.value?.step) ?? null)
  const steps = computed(() => standing(plan.value?.steps ?? [], { ...record.value, runs: runs.value }))
  const next = computed(() => steps.value.find((s) => !s.done) ?? null)
  const holds = computed(() => (plan.value?.holds ?? []).map((hold) => {
    const signed = record.value.holds.find((h) => h.id === keyOf(place.value, hold.id))
    return { hold, signed, ...proved(hold, signed, siOf(signed?.value ?? '', words.kinds[hold.kind])) }
  }))
  const shut = computed(() => holds.value.filter((h) => !h.proved))
  const seconds = computed(() => (run.value ? lasted(run.value, now.value) : 0))
  /** Rest that the starter or the metal still wants after the last go [s]. */
  const rests = computed(() => {
    const last = runs.value.filter((r) => r.ended).sort((a, b) => (a.ended ?? '').localeCompare(b.ended ?? '')).at(-1)
    const own = plan.value?.steps.find((s) => s.id === last?.step)
    if (!last?.ended || !own?.rest || next.value?.step.id !== own.id) return 0
    return Math.max(own.rest - ((now.value - Date.parse(last.ended)) / 1000) * Number(last.pace ?? 1), 0)
  })
  const valueOf = (taken: Taken) => {
    const kind = plan.value?.expected.find((e) => e.id === taken.what)?.kind ?? ''
    return siOf(taken.value ?? '', words.kinds[kind]) ?? plan.value?.taken.find((t) => t.id === taken.id)?.value ?? null
  }
  const lastOf = (what: string, of: Run | null) => newest(record.value.readings, what, of?.id ?? null)
  /** How long after its run began a reading was taken [s]. */
  const since = (taken: Taken) => {
    const own = record.value.runs.find((r) => r.id === taken.run)
    return own?.began && taken.at ? Math.max((Date.parse(taken.at) - Date.parse(own.began)) / 1000, 0) * Number(own.pace ?? 1) : 0
  }

  const send = (edits: Edit[]) => build.send(edits)
  const set = (path: string, text: string | null) => send([line(`start.${path}`, text)])
  const entry = (list: string, id: string, fields: Fields) => entryAt(`start.${list}.${id}`, fields)
  const remove = (list: string, id: string) => send([line(`start.${list}.${id}`, null, { action: 'remove' })])

  /** Sign a hold; nobody signs for a measure that does not prove it. */
  const sign = (hold: Hold, by: string) => holds.value.some((s) => s.hold.id === hold.id && s.wrong) ? Promise.resolve() : send([
    ...entry('holds', keyOf(place.value, hold.id), { signed: by, at: moment() }),
    ...(hold.task ? [line(`work.tasks.${hold.task}.done`, dayOf(new Date())), line(`work.tasks.${hold.task}.signed`, by)] : []),
  ])
  const unsign = (hold: Hold) => send([
    line(`start.holds.${keyOf(place.value, hold.id)}`, null, { action: 'remove' }),
    ...(hold.task ? [line(`work.tasks.${hold.task}.done`, null), line(`work.tasks.${hold.task}.signed`, null)] : []),
  ])
  const measured = (hold: Hold, text: string) => send(entry('holds', keyOf(place.value, hold.id), { value: withUnit(text, words.kinds[hold.kind]) }))
  const waits = (hold: Hold) => send(entry('holds', keyOf(place.value, hold.id), { began: moment() }))

  const begin = (of: Step, pace: number) => send(entry('runs', shortId(), { place: place.value, step: of.id, began: moment(), ...(pace > 1 ? { pace: String(pace) } : {}) }))
  const end = (of: Run, note = '') => send(entry('runs', of.id, { ended: moment(), ...(note ? { note } : {}) }))
  const done = (of: Step) => {
    const now = moment()
    return send(entry('runs', shortId(), { place: place.value, step: of.id, began: now, ended: now }))
  }
  const take = (what: string, kind: string, text: string, madeUp: boolean) =>
    send(entry('readings', shortId(), { what, value: withUnit(text, words.kinds[kind]), at: moment(), ...(run.value ? { run: run.value.id } : {}), ...(madeUp ? { made_up: 'yes' } : {}) }))
  const look = (group: string, check: string, kind: string, text: string) => send(entry('looks', `${group}__${check}`, { value: kind ? withUnit(text, words.kinds[kind]) : text, at: moment() }))

  return {
    place, runs, plan, faults, trouble, faultsTrouble, at, now, load, refused, loadFaults, faultsRefused, listen, record, run, step, steps, next, holds, shut, seconds, rests,
    valueOf, lastOf, since, set, remove, sign, unsign, measured, waits, begin, end, done, take, look,
  }
})
