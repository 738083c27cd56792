import type { View } from '../../api/client'

export type Loads = View<'mounts/loads'>
export type Mount = Loads['mounts'][number]
export type End = 'side' | 'end'
type Point = [number, number]

const MM = 1000
/** Of the longest arrow drawn [mm]. */
export const LONGEST = 150
export const ENDS: Record<End, string> = { side: 'From its left, front to the left', end: 'From the flywheel, left is left' }

/** A place of the engine (ahead, left, over) [m] as it is seen [mm], down the page. */
export const seen = (end: End, [ahead, left, over]: readonly [number, number, number]): Point => [-MM * (end === 'side' ? ahead : left), -MM * over]

/** An outline as the server gives it, in its own plane [m], as it is seen [mm]. */
export const outline = (points: readonly (readonly [number, number])[]): Point[] => points.map(([along, up]) => [-MM * along, -MM * up])

export const path = (points: Point[]) => `M${points.map((p) => p.map((v) => v.toFixed(1)).join(' ')).join('L')}Z`

/** A load's arrow [mm]: the longest of all drawn is so long, those pulled up point up. */
export const arrow = (load: number, most: number, longest: number) => (most > 0 ? (longest * load) / most : 0)

export interface Box { left: number; top: number; width: number; height: number }

const drawn = (end: End, data: Loads) => [
  ...outline((end === 'side' ? [...data.side, ...data.side_moved] : [...data.end, ...data.end_moved]) as Point[]),
  ...data.mounts.map((m) => seen(end, m.at)),
  seen(end, data.axis),
]

/** What is drawn, with room for arrows and words; both views to one scale and as high. */
export function frame(end: End, data: Loads, longest: number): Box {
  const xs = drawn(end, data).map((p) => p[0])
  const ys = [...drawn('side', data), ...drawn('end', data)].map((p) => p[1])
  const left = Math.min(...xs) - 90
  const top = Math.min(...ys) - 80
  return { left, top, width: Math.max(...xs) + 90 - left, height: Math.max(...ys) + longest + 50 - top }
}

/** Mounts that are seen on one another, as one: where, and what they carry together [N]. */
export function together(end: End, mounts: readonly Mount[], near = 60): { at: Point; load: number; ids: string[] }[] {
  const found: { at: Point; load: number; ids: string[] }[] = []
  for (const m of mounts) {
    const at = seen(end, m.at)
    const one = found.find((o) => Math.hypot(o.at[0] - at[0], o.at[1] - at[1]) < near)
    if (one) {
      one.load += m.load
      one.ids.push(m.id)
    } else found.push({ at, load: m.load, ids: [m.id] })
  }
  return found
}
