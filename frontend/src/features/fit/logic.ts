import type { View } from '../../api/client'

export type Lie = View<'fit/lie'>
export type Outline = Lie['things'][number]
export type Gap = Lie['gaps'][number]
export type Plane = 'side' | 'front' | 'plan'
export type Point = [number, number]
export type Moved = { ahead: number; left: number; up: number; pitch: number; yaw: number; roll: number }
export const STILL: Moved = { ahead: 0, left: 0, up: 0, pitch: 0, yaw: 0, roll: 0 }
export const PLANES: Record<Plane, string> = { side: 'From the side', front: 'From the front', plan: 'From above' }
const MM = 1000

/** A point of the machine [m] as it is drawn [mm]: forward lies left, left lies right of one who looks at the front. */
export function seen(plane: Plane, [ahead, left, over]: [number, number, number]): Point {
  if (plane === 'side') return [-MM * ahead, -MM * over]
  return plane === 'front' ? [MM * left, -MM * over] : [-MM * ahead, MM * left]
}

/** The outline of a thing in a plane [mm]. */
export function outline(plane: Plane, thing: Outline): Point[] {
  const points = thing[plane] as Point[]
  if (plane === 'front') return points.map(([y, z]) => [MM * y, -MM * z])
  return plane === 'side' ? points.map(([x, z]) => [-MM * x, -MM * z]) : points.map(([x, y]) => [-MM * x, MM * y])
}

export const path = (points: Point[]) => (points.length ? `M${points.map((p) => p.map((v) => v.toFixed(1)).join(' ')).join('L')}Z` : '')

export interface Box { left: number; top: number; width: number; height: number }

export function boxOf(points: Point[], margin: number): Box {
  const xs = points.map((p) => p[0])
  const ys = points.map((p) => p[1])
  const [left, top] = [Math.min(...xs) - margin, Math.min(...ys) - margin]
  return { left, top, width: Math.max(...xs) + margin - left, height: Math.max(...ys) + margin - top }
}

/** What a view shows of the machine: the engine with all its ends, and what stands round it that has an end. */
export function frame(plane: Plane, data: Lie): Box {
  const own = data.things.filter((t) => t.moves === 'unit' || ENDS.includes(t.id))
  const points = own.flatMap((t) => outline(plane, t))
  const floor: Point[] = plane === 'plan' || !points.length ? [] : [[points[0]?.[0] ?? 0, 0]]
  return boxOf(points.length ? [...points, ...floor] : [[0, 0], [1000, -1000]], 60)
}
/** What would only hide the engine, seen from there. */
const HIDES: Record<Plane, string[]> = {
  side: ['wing_left', 'wing_right', 'bulkhead_left', 'bulkhead_right', 'tunnel_left', 'tunnel_right', 'rail_right'],
  front: ['panel', 'stack', 'bulkhead', 'tunnel', 'bulkhead_left', 'bulkhead_right'],
  plan: ['bonnet', 'ground', 'hull', 'tunnel', 'bulkhead'],
}
export const shown = (plane: Plane, data: Lie) => data.things.filter((t) => !HIDES[plane].includes(t.id))
/** Things of the machine that say how large its space is; walls and floor go on beyond. */
const ENDS = ['panel', 'stack', 'member', 'rack', 'column', 'rail_left', 'rail_right', 'bonnet']

/** A drag over the paper [mm] as a move of the engine [m]. */
export function dragged(plane: Plane, dx: number, dy: number): Partial<Moved> {
  const [right, down] = [dx / MM, dy / MM]
  if (plane === 'side') return { ahead: -right, up: -down }
  return plane === 'front' ? { left: right, up: -down } : { ahead: -right, left: down }
}

/** The plane in which the way between two nearest points is seen longest. */
export function planeOf(gap: Gap): Plane {
  const [x, y, z] = gap.other.map((v, i) => Math.abs(v - (gap.at[i] ?? 0))) as [number, number, number]
  const least = Math.min(x, y, z)
  return least === y ? 'side' : least === x ? 'front' : 'plan'
}

const DEGREE = Math.PI / 180
/** Keys that move it: so many millimetres, or tenths of a degree about the axis one looks along. */
export function keyed(plane: Plane, key: string, large: boolean): Partial<Moved> | null {
  const step = (large ? 10 : 1) / MM
  const turn = (large ? 1 : 0.1) * DEGREE
  const about = { side: 'pitch', front: 'roll', plan: 'yaw' }[plane]
  if (key === '[' || key === ']') return { [about]: key === '[' ? turn : -turn }
  const ways: Record<string, [number, number]> = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }
  const way = ways[key]
  return way ? dragged(plane, MM * way[0], MM * way[1]) : null
}

export function plus(a: Moved, b: Partial<Moved>): Moved {
  const round = (v: number) => Math.round(v * 1e6) / 1e6
  return Object.fromEntries(Object.entries(a).map(([k, v]) => [k, round(v + (b[k as keyof Moved] ?? 0))])) as Moved
}

export const still = (m: Moved) => Object.values(m).every((v) => Math.abs(v) < 1e-7)

/** A move in words: "10 mm back, 4 mm up, 1.2° nose up". */
export function moveWords(m: Moved, show: (si: number, kind: string) => string): string {
  const said = (v: number, plusWord: string, minusWord: string, kind: string) => (Math.abs(v) < (kind === 'size' ? 2e-4 : 1e-3) ? [] : [`${show(Math.abs(v), kind)} ${v > 0 ? plusWord : minusWord}`])
  return [
    ...said(m.ahead, 'forward', 'back', 'size'), ...said(m.left, 'left', 'right', 'size'), ...said(m.up, 'up', 'down', 'size'),
    ...said(m.pitch, 'nose up', 'nose down', 'angle'), ...said(m.yaw, 'turned left', 'turned right', 'angle'), ...said(m.roll, 'rolled right', 'rolled left', 'angle'),
  ].join(', ')
}
