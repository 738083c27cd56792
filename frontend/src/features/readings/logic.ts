/** What the page makes of readings by itself: where they lie on a glass, what a fit says in one sentence, columns of a log. */
import type { Edit, Schemas } from '../../api/client'
import { line } from '../../stores/build'
import { entryAt, type Fields } from '../../stores/entry'

export type Readings = Schemas['ReadingsOut']
export type Taken = Schemas['ForetoldOut']
export type Learned = Schemas['LearnedOut']
export type Drive = Schemas['DriveOut']
export type Series = Schemas['SeriesOut']
export type Recording = Schemas['RecordingOut']
export type FileRead = Schemas['FileOut']
export type Line = Schemas['EditLine']

/** Edits as the server offers them. */
export const asEdits = (lines: readonly Line[]): Edit[] => lines.map((l) => line(l.path, l.text, { action: l.action, evidence: l.evidence }))

/** Fields of one entry of a list. */
export const entry = (list: string, id: string, fields: Fields): Edit[] => entryAt(`readings.${list}.${id}`, fields)

/** Ends of a glass that holds some numbers with room beside them. */
export function ends(values: readonly (number | null | undefined)[], room = 0.08): [number, number] {
  const known = values.filter((v): v is number => v !== null && v !== undefined && Number.isFinite(v))
  if (!known.length) return [0, 1]
  const [low, high] = [Math.min(...known), Math.max(...known)]
  const more = Math.max((high - low) * room, 1)
  return [low - more, high + more]
}
export const share = (value: number, [low, high]: readonly [number, number]) => Math.min(Math.max((value - low) / (high - low), 0), 1)

/** How surely a factor is known now: half of what it may be off, in percent. */
export const off = (sd: number) => Math.max(Math.round(100 * (Math.exp(1.96 * sd) - 1)), 1)

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

/** A way on the road or the water as one says it. */
export const far = (si: number, imperial: boolean) => (imperial ? `${(si / 1609.344).toFixed(1)}\u00a0mi` : `${(si / 1000).toFixed(1)}\u00a0km`)

/** The headline: what the readings say of the verdict that goes by them. */
export function headline(found: Readings, systems: { [id: string]: string } = {}): { lead: string; strong: string; over: boolean } {
  const shift = found.shift
  if (!found.taken.length) return { lead: 'Nothing was read of it yet.', strong: found.useful[0] ? `Best first: ${lower(found.useful[0].sentence.split(':')[0] ?? '')}.` : '', over: false }
  if (!found.counted) return { lead: 'Nothing that was read can be held against the model yet.', strong: '', over: false }
  const many = `${found.counted} reading${found.counted > 1 ? 's' : ''}`
  if (!shift) return { lead: `${many} fitted; no verdict moves with them.`, strong: '', over: false }
  const name = `${systems[shift.system] ?? shift.system}, ${shift.name.toLowerCase()}${shift.duty ? `, ${shift.duty.toLowerCase()}` : ''}`
  const percent = (fill: number) => `${Math.round(100 * fill)}\u00a0%`
  return { lead: `${name}: ${percent(shift.before.likely)} full by the facts alone,`, strong: `${percent(shift.after.likely)} by ${many}.`, over: shift.after.likely > 1 }
}

/** What each column of a log is, as the server reads it. */
export const columnsText = (columns: FileRead['columns']) => columns.map((c) => (c.channel ? `${c.channel} in ${c.unit}` : '-')).join('; ')

/** The same file's recipe: found again by its heads. */
export const recipeOf = (recipes: Readings['recipes'], heads: string) => recipes.find((r) => r.heads === heads)

/** m:ss, or h:mm:ss. */
export function spell(seconds: number): string {
  const s = Math.max(Math.round(seconds), 0)
  const [h, m] = [Math.floor(s / 3600), Math.floor((s % 3600) / 60)]
  const two = (n: number) => String(n).padStart(2, '0')
  return h ? `${h}:${two(m)}:${two(s % 60)}` : `${m}:${two(s % 60)}`
}

/** Points of a plot, minutes on the way across; what is not known leaves a gap. */
export const points = (time: readonly number[], values: readonly (number | null)[], unit: (si: number) => number): [number, number][] =>
  values.flatMap((v, i) => (v === null || time[i] === undefined ? [] : [[time[i] / 60, unit(v)] as [number, number]]))

/** Whether a file is a track by its name. */
export const kindOf = (name: string): 'csv' | 'gpx' => (name.toLowerCase().endsWith('.gpx') ? 'gpx' : 'csv')
