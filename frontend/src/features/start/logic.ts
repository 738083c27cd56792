/** What the page makes of a first start by itself, so that it stands without a connection: the record with what is not sent yet
 * laid over it, clocks, and what a reading says. */
import type { Display, Edit, Schemas, SheetDocument } from '../../api/client'
import { inUnit } from '../../ui/format'

export type Start = Schemas['StartOut']
export type Hold = Schemas['HoldOut']
export type Step = Schemas['StartStepOut']
export type Expected = Schemas['ExpectedOut']
export type Faults = Schemas['FaultsOut']
export type Next = Schemas['NextOut']
type Kept = NonNullable<Schemas['BuildDocument']['start']>
export type Run = NonNullable<Kept['runs']>[number]
export type Taken = NonNullable<Kept['readings']>[number]
export type Signed = NonNullable<Kept['holds']>[number]
export type Looked = NonNullable<Kept['looks']>[number]
export interface Record { place: string; air: string; symptom: string; holds: Signed[]; runs: Run[]; readings: Taken[]; looks: Looked[]; note: string }

const LISTS = ['holds', 'runs', 'readings', 'looks'] as const
type List = (typeof LISTS)[number]
const isList = (name: string): name is List => (LISTS as readonly string[]).includes(name)

/** The record as it is kept, with edits laid over it that the server has not taken yet. */
export function recordOf(document: SheetDocument, unsent: readonly Edit[]): Record {
  const kept = structuredClone((document.start as Kept | undefined) ?? {})
  const record: Record = {
    place: kept.place ?? '', air: kept.air ?? '', symptom: kept.symptom ?? '', note: kept.note ?? '',
    holds: kept.holds ?? [], runs: kept.runs ?? [], readings: kept.readings ?? [], looks: kept.looks ?? [],
  }
  for (const edit of unsent) {
    const [block, name = '', id, field] = edit.path.split('.')
    if (block !== 'start') continue
    if (!isList(name)) {
      Object.assign(record, { [name]: edit.text ?? '' })
    } else if (edit.action === 'remove') {
      Object.assign(record, { [name]: record[name].filter((e) => e.id !== id) })
    } else if (id && field) {
      let entry = record[name].find((e) => e.id === id)
      if (!entry) {
        entry = { id } as never
        record[name].push(entry as never)
      }
      Object.assign(entry as object, { [field]: edit.text ?? undefined })
    }
  }
  return record
}

/** A hold as it stands: signed here or with its task, unless what was measured does not prove it. */
export function proved(hold: Hold, signed: Signed | undefined, si: number | null): { proved: boolean; wrong: boolean; by: string; at: string; value: string } {
  const wrong = si !== null && !comesTo(hold, si)
  const by = signed?.signed ?? (hold.by_order ? hold.signed : '')
  return { proved: (Boolean(signed?.signed) || hold.by_order) && !wrong, wrong, by, at: signed?.at ?? '', value: signed?.value ?? '' }
}
const comesTo = (hold: Hold, si: number) => (hold.least === null || si >= hold.least - 1e-9) && (hold.most === null || si <= hold.most + 1e-9)

/** A number as it is typed or kept, SI; null where its unit is another than the build's: the server reads that. */
export function siOf(text: string, display: Display | undefined): number | null {
  const found = /^\s*([-+−]?\d+(?:[.,]\d+)?)\s*(.*?)\s*$/.exec(text)
  if (!found || !display) return null
  const unit = found[2] ?? ''
  if (unit && unit !== display.symbol) return null
  const value = Number((found[1] ?? '').replace(',', '.').replace('−', '-'))
  return Number.isFinite(value) ? value * display.factor + display.offset : null
}
/** Seconds of a run by the server's clock, as fast as its pace. */
export const lasted = (run: Run, now: number) => Math.max(((run.ended ? Date.parse(run.ended) : now) - Date.parse(run.began ?? '')) / 1000, 0) * Number(run.pace ?? 1)
/** mm:ss */
export function clock(seconds: number): string {
  const s = Math.max(Math.floor(seconds), 0)
  return `${String(Math.floor(s / 60)).padStart(2, '0')}:${String(s % 60).padStart(2, '0')}`
}
/** A length of time as one says it. */
export const spoken = (seconds: number) => (seconds < 120 ? `${Math.round(seconds)} s` : `${Math.round(seconds / 60)} min`)
export const running = (record: Record) => record.runs.find((r) => r.began && !r.ended) ?? null

/** What a hold's entry of the record is called: on the stand it is another than in the machine. */
export const keyOf = (place: string, hold: string) => `${place}_${hold}`

/** The steps with how many goes each had, and which is next: the first that never ran its least, and is not given up. */
export function standing(steps: readonly Step[], record: Record): { step: Step; goes: number; done: boolean }[] {
  return steps.map((step) => {
    const goes = record.runs.filter((r) => r.step === step.id && r.ended)
    const long = goes.some((r) => step.least === null || lasted(r, 0) >= step.least - 0.5)
    return { step, goes: goes.length, done: goes.length > 0 && long && !goes.at(-1)?.note?.startsWith('stopped') }
  })
}

/** What a gauge should read so long after the start. */
export function foreseen(e: Expected, seconds: number): { likely: number; low: number; high: number } | null {
  const points = e.curve
  const first = points[0]
  const last = points.at(-1)
  if (!first || !last) return e.likely === null || e.low === null || e.high === null ? null : { likely: e.likely, low: e.low, high: e.high }
  if (seconds <= first.at) return { likely: first.value, low: first.low, high: first.high }
  if (seconds >= last.at) return { likely: last.value, low: last.low, high: last.high }
  const at = points.findIndex((p) => p.at > seconds)
  const [a, b] = [points[at - 1] ?? first, points[at] ?? last]
  const share = (seconds - a.at) / (b.at - a.at)
  const mix = (x: number, y: number) => x + share * (y - x)
  return { likely: mix(a.value, b.value), low: mix(a.low, b.low), high: mix(a.high, b.high) }
}

export interface Verdict { kind: 'stop' | 'under' | 'over' | 'inside' | 'unknown'; off: number }
/** What a reading says: stop, outside its band by so much [SI], inside, or not foretold. */
export function judge(e: Expected, si: number, seconds: number): Verdict {
  if (e.least !== null && si < e.least && seconds >= e.after) return { kind: 'stop', off: si - e.least }
  if (e.most !== null && si > e.most) return { kind: 'stop', off: si - e.most }
  const band = foreseen(e, seconds)
  if (!band) return { kind: 'unknown', off: 0 }
  if (si < band.low) return { kind: 'under', off: si - band.low }
  if (si > band.high) return { kind: 'over', off: si - band.high }
  return { kind: 'inside', off: 0 }
}

/** The newest reading of a kind in a run. */
export const newest = (readings: readonly Taken[], what: string, run: string | null) => readings.filter((r) => r.what === what && (run === null || r.run === run)).sort((a, b) => (a.at ?? '').localeCompare(b.at ?? '')).at(-1) ?? null

/** What ends a run by the clock or by a gauge, said as one shouts it; empty while all is well. */
export function shout(step: Step, seconds: number, said: { label: string; verdict: Verdict }[]): string {
  const stop = said.find((s) => s.verdict.kind === 'stop')
  if (stop) return `Engine off: ${stop.label.charAt(0).toLowerCase()}${stop.label.slice(1)}.`
  if (step.most !== null && seconds > step.most) return `${step.runs ? 'Engine off' : 'Let go'}: ${spoken(step.most)} are up.`
  return ''
}

/** Places on a glass from 0 to 1, a margin on both sides of all that stands on it. */
export function scale(e: Pick<Expected, 'least' | 'most'>, band: { low: number; high: number } | null, si: number | null): (value: number) => number {
  const all = [e.least, e.most, band?.low, band?.high, si].filter((v): v is number => v !== null && v !== undefined && Number.isFinite(v))
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const room = (high - low || Math.abs(high) || 1) * 0.18
  const from = e.least !== null && e.most === null && low >= 0 ? Math.max(low - room, 0) : low - room
  return (value) => Math.min(Math.max((value - from) / (high + room - from), 0), 1)
}

/** A number in a unit, for a field. */
export const bare = (si: number, display: Display | undefined) => (display ? String(Number(inUnit(si, display).toPrecision(3))) : String(si))
/** A moment as people say it, by this device's own day. */
export const hourOf = (iso: string | null | undefined) => (iso ? new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }) : '')
export const dayAndHour = (iso: string | null | undefined) => (iso ? `${new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })} ${hourOf(iso)}` : '')
