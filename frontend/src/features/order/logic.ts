/** What the page makes of the order of work by itself: ticks not yet sent laid over it, days, hours, money. */
import type { Edit, Schemas, SheetDocument } from '../../api/client'

export type Order = Schemas['OrderOut']
export type Task = Schemas['WorkTaskOut']
export type Thing = Schemas['ThingOut']
export type Break = Schemas['BreakOut']

const DONE = /^work\.tasks\.(\w+)\.done$/

/** Ticks that the server has not taken yet: done on a day, or no longer. */
export function ticked(unsent: readonly Edit[]): Map<string, string> {
  return new Map(unsent.flatMap((edit) => {
    const id = DONE.exec(edit.path)?.[1]
    return id ? [[id, edit.text ?? ''] as const] : []
  }))
}

/** What the build's document says of the work. */
export type Work = NonNullable<Schemas['BuildDocument']['work']>
export const workOf = (document: SheetDocument): Partial<Work> => (document.work as Work | undefined) ?? {}

/** Ticks of the build as it is kept, that the order worked before them does not know yet. */
export function newer(document: SheetDocument, order: Order): Map<string, string> {
  const kept = new Map(workOf(document).tasks?.map((t) => [t.id, t.done ?? '']))
  return new Map(order.tasks.map((t) => [t.id, kept.get(t.id) ?? ''] as const).filter(([id, done]) => done !== order.tasks.find((t) => t.id === id)?.done))
}

/** Tasks as they stand with ticks laid over: what a tick opens may be begun, what it closes waits again. */
export function standing(order: Order, ticks: ReadonlyMap<string, string>): Task[] {
  const done = new Set(order.tasks.filter((t) => (ticks.get(t.id) ?? t.done) !== '').map((t) => t.id))
  const wet = new Set(order.tasks.filter((t) => t.state === 'done' && t.dry_h !== null).map((t) => t.id))
  return order.tasks.map((task) => {
    if (!ticks.size) return task
    const held = task.after.filter((arc) => !done.has(arc.id) || wet.has(arc.id)).map((arc) => arc.id)
    const state = done.has(task.id) ? 'done' : held.length || task.held_things.length ? 'held' : 'ready'
    return { ...task, done: ticks.get(task.id) ?? task.done, held_tasks: held, state }
  })
}

/** What is broken by ticking a task now: told by the server for those that wait; of ticks not sent yet, what they mend is left out. */
export function breaksNow(task: Task, tasks: readonly Task[]): Break[] {
  const open = new Set(tasks.filter((t) => t.state !== 'done').map((t) => t.id))
  return task.breaks.filter((b) => open.has(b.missing))
}

/** Hours as one says them. */
export const hours = (h: number) => (h < 1 ? `${Math.round(h * 60)} min` : `${Number(h.toFixed(h < 10 ? 1 : 0))} h`)
export const spanned = (s: Task['hours']) => (s.low === s.high ? hours(s.likely) : `${hours(s.likely)}, ${Number(s.low.toFixed(1))} to ${hours(s.high)}`)

/** A day as one says it: Thu 21 May. */
export function said(iso: string): string {
  if (!iso) return ''
  const at = new Date(`${iso}T12:00:00`)
  return at.toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short' }).replace(',', '')
}

/** Days of a date after another's midnight, in hours. */
export const hoursTo = (from: string, iso: string) => (Date.parse(`${iso}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 3.6e6

/** What keeps a task from being begun, in a word or two, and what kind of thing that is. */
export function heldBy(task: Task, tasks: readonly Task[], things: readonly Thing[]): { kind: 'thing' | 'hold' | 'task'; words: string; late: boolean } | null {
  const thing = task.held_things.map((id) => things.find((t) => t.id === id)).find((t) => t !== undefined)
  if (thing) return { kind: 'thing', words: thing.late_days ? `${thing.label}, late` : thing.label, late: thing.late_days > 0 }
  const before = task.held_tasks.map((id) => tasks.find((t) => t.id === id)).filter((t) => t !== undefined)
  const first = before.find((t) => t.hold) ?? before[0]
  if (!first) return null
  const more = before.length > 1 ? ` and ${before.length - 1} more` : ''
  const dries = first.state === 'done' ? ', still drying' : ''
  return { kind: first.hold ? 'hold' : 'task', words: short(first.title) + dries + more, late: false }
}

/** A title's first words: up to the first comma or colon. */
export const short = (title: string) => title.split(/[,:;]/)[0] ?? title

/** Tasks left in the order they are likely begun. */
export const byDay = (tasks: readonly Task[]) => tasks.filter((t) => t.state !== 'done').sort((a, b) => (a.begin_h ?? 0) - (b.begin_h ?? 0))

export const money = (sign: string, amount: number) => sign + Math.round(amount).toLocaleString('en-US')

/** A short name that none has. */
export function freshId(title: string, taken: readonly string[]): string {
  const stem = title.toLowerCase().replace(/[^a-z0-9]+/g, '_').replace(/^_+|_+$/g, '').slice(0, 30) || 'thing'
  let id = stem
  for (let n = 2; taken.includes(id); n++) id = `${stem}_${n}`
  return id
}
