/** The work as a river: arithmetic of the drawing. Time runs to the right; what is worked side by side lies in lanes. */
import type { Order, Task, Thing } from './logic'
import { hoursTo } from './logic'

export interface Stretch {
  id: string
  label: string
  lane: number
  /** Calendar hours; what is done lies before nought. */
  from: number
  to: number
  share: number
  /** Share of runs in which one of its tasks lies on the longest way, were hands no limit. */
  decides: number
  wide: boolean
  drying: { from: number; to: number } | null
  tasks: Task[]
}
export interface Lock { id: string; label: string; at: number; lane: number; open: boolean }
/** A thing not there yet: a dam where work waits for it, else it comes in time. */
export interface Dam { id: string; label: string; at: number; lane: number; late: boolean; day: string; holds: boolean }
export interface River { stretches: Stretch[]; joins: [string, string][]; locks: Lock[]; dams: Dam[]; starts: { id: string; title: string; lane: number }[] }

const HOLDS = 0.2 // share of runs from which work is said to wait for a thing
/** Lanes of a stretch: which of its branches lies where; the rest in the middle. */
const LANES: Record<string, number> = { donor: -1, strip: 1, dirty: -1, pipes: 0, lines: 1, fluids: -1, running: 0, hands: 1 }
const NAMES: Record<string, string> = { dirty: 'weld, cut, paint', pipes: 'exhaust', lines: 'lines, loom, shields', fluids: 'coolant, fuel', running: 'mounts, shafts', hands: 'loom, pedals, brakes' }
const keyOf = (task: Task) => `${task.stage} ${task.branch}`

export function river(order: Order, tasks: readonly Task[]): River {
  const groups = new Map<string, Task[]>()
  for (const task of tasks) groups.set(keyOf(task), [...(groups.get(keyOf(task)) ?? []), task])
  const all = [...groups].map(([id, own]) => stretchOf(id, own, order)).filter((s) => s.tasks.length)
  const left = all.filter((s) => s.to > s.from || s.share > 0)
  const kept = new Set(left.map((s) => s.id))
  const where = new Map(tasks.map((t) => [t.id, keyOf(t)]))
  const joins = new Map<string, [string, string]>()
  for (const task of tasks) for (const arc of task.after) {
    const [from, to] = [where.get(arc.id) ?? '', keyOf(task)]
    if (from !== to && kept.has(from) && kept.has(to)) joins.set(`${from}>${to}`, [from, to])
  }
  const lane = new Map(left.map((s) => [s.id, s.lane]))
  return {
    stretches: left,
    joins: direct([...joins.values()]),
    locks: tasks.filter((t) => t.hold && t.state !== 'done').map((t) => ({ id: t.id, label: t.title, at: t.end_h ?? 0, lane: lane.get(keyOf(t)) ?? 0, open: t.state === 'ready' })),
    dams: order.things.filter((t) => t.awaited && t.tasks.length).map((t) => damOf(t, order, tasks, lane)),
    starts: tasks.filter((t) => t.state === 'ready').map((t) => ({ id: t.id, title: t.title, lane: lane.get(keyOf(t)) ?? 0 })),
  }
}

function stretchOf(id: string, own: Task[], order: Order): Stretch {
  const open = own.filter((t) => t.state !== 'done')
  const [stage = '', branch = ''] = id.split(' ')
  const last = open.reduce<Task | null>((a, t) => ((t.dry_h ?? 0) > (a?.dry_h ?? -1) ? t : a), null)
  const dries = last && last.lag_h > 8 && last.end_h !== null && last.dry_h !== null ? { from: last.end_h, to: last.dry_h } : null
  return {
    id,
    label: NAMES[branch] ?? order.stages[stage] ?? stage,
    lane: LANES[branch] ?? LANES[stage] ?? 0,
    from: open.length ? Math.min(...open.map((t) => t.begin_h ?? 0)) : 0,
    to: open.length ? Math.max(...open.map((t) => t.dry_h ?? 0)) : 0,
    share: own.length ? (own.length - open.length) / own.length : 0,
    decides: Math.max(0, ...open.map((t) => t.free_decides)),
    wide: open.some((t) => t.hands > 1),
    drying: dries,
    tasks: own,
  }
}

function damOf(thing: Thing, order: Order, tasks: readonly Task[], lane: Map<string, number>): Dam {
  const first = tasks.find((t) => thing.tasks.includes(t.id))
  return { id: thing.id, label: thing.label, at: Math.max(hoursTo(order.today, thing.arrives), 0), lane: first ? (lane.get(keyOf(first)) ?? 0) : 0, late: thing.late_days > 0, day: thing.arrives, holds: thing.decides >= HOLDS || thing.late_days > 0 }
}

/** Joins with nothing between: one that others lead round is left out. */
export function direct(joins: [string, string][]): [string, string][] {
  const next = new Map<string, string[]>()
  for (const [a, b] of joins) next.set(a, [...(next.get(a) ?? []), b])
  const reaches = (from: string, to: string, seen: Set<string>): boolean => (next.get(from) ?? []).some((b) => b === to || (!seen.has(b) && reaches(b, to, seen.add(b))))
  return joins.filter(([a, b]) => !(next.get(a) ?? []).some((mid) => mid !== b && reaches(mid, b, new Set())))
}

/** Marks of the axis: midnights of Mondays, a few of them, as hours from today's. */
export function mondays(today: string, span: number): { at: number; day: string }[] {
  const start = new Date(`${today}T00:00:00Z`)
  const first = (8 - start.getUTCDay()) % 7
  const weeks = Math.floor((span / 24 - first) / 7)
  const step = Math.max(1, Math.ceil(weeks / 6))
  return Array.from({ length: Math.max(0, Math.floor(weeks / step) + 1) }, (_, n) => {
    const days = first + 7 * n * step
    return { at: 24 * days, day: new Date(start.getTime() + 8.64e7 * days).toISOString().slice(0, 10) }
  })
}

/** Weekends within a span, as hours from today's midnight. */
export function weekends(today: string, span: number): [number, number][] {
  const start = new Date(`${today}T00:00:00Z`).getUTCDay()
  const found: [number, number][] = []
  for (let day = -1; day * 24 < span; day++) if ((start + day + 7) % 7 === 6) found.push([Math.max(24 * day, 0), Math.min(24 * (day + 2), span)])
  return found.filter(([a, b]) => b > a)
}

export interface Mark { at: number; width: number; lane: number }
/** On which side of its bed each label goes, below (1) or above (-1), so that none lies on another; nought: no room for it.
 * `taken`: what lies there already, above the bed. */
export function sides(labels: readonly Mark[], taken: readonly Mark[]): number[] {
  const held: Record<number, Mark[]> = { 1: [], [-1]: [...taken] }
  const meets = (a: Mark, b: Mark) => a.lane === b.lane && Math.abs(a.at - b.at) < (a.width + b.width) / 2 + 6
  return labels.map((label) => {
    const side = [1, -1].find((s) => !held[s]?.some((other) => meets(label, other))) ?? 0
    if (side) held[side]?.push(label)
    return side
  })
}

/** Shares smoothed over their neighbours: an evening's work ends in the evening, which says nothing of the date. */
export const smoothed = (shares: readonly number[], reach = 3) =>
  shares.map((_, n) => shares.slice(Math.max(0, n - reach), n + reach + 1).reduce((a, b) => a + b, 0) / (2 * reach + 1))
