import type { View } from '../../api/client'

export type WetView = View<'boat/wet'>
export type RawView = View<'boat/raw'>
export type PropellerView = View<'boat/propeller'>
export type CouplingView = View<'boat/coupling'>
export type SafetyView = View<'boat/safety'>
export type Spot = WetView['spots'][number]
export type Point = [number, number]

/** What is dragged of a wet exhaust, and the fact that each is. */
export const DRAGGED = { riser: 'riser_over', high: 'high_over', high_aft: 'high_aft', silencer: 'silencer_over', silencer_aft: 'silencer_aft' } as const
export type Dragged = keyof typeof DRAGGED
export type Moves = Partial<Record<Dragged, number>>

/** Lower left to upper right corner of what is drawn [m]: aft of the middle, over the sea, with room for words. */
export function frameOf(view: WetView): { left: number; right: number; low: number; high: number } {
  const xs = [...view.spots.map((s) => s.aft), ...(view.silencer?.corners.map(([x]) => x ?? 0) ?? [])]
  const ys = [...view.spots.map((s) => s.now), ...(view.silencer?.corners.map(([, y]) => y ?? 0) ?? []), 0]
  const left = Math.min(...xs, 0)
  const right = Math.max(...xs, left + 1.6)
  const low = Math.min(...ys, -0.2)
  const high = Math.max(...ys, 0.4)
  const wide = right - left
  return { left: left - 0.16 * wide, right: right + 0.16 * wide, low: low - 0.02 * wide - 0.08, high: high + 0.09 * wide }
}

/** Round a set of points, in order: the hull of a box seen from the side. */
export function hullOf(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1])
  const half = (order: readonly Point[]) => {
    const found: Point[] = []
    for (const p of order) {
      while (found.length > 1) {
        const [a, b] = [found[found.length - 2] as Point, found[found.length - 1] as Point]
        if ((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 0) break
        found.pop()
      }
      found.push(p)
    }
    return found.slice(0, -1)
  }
  return [...half(sorted), ...half([...sorted].reverse())]
}

export const pathOf = (points: readonly Point[]) => `M${points.map(([x, y]) => `${x.toFixed(4)} ${(-y).toFixed(4)}`).join('L')}`

/** Where the gas goes from the port to the silencer, and from it to the outlet, as far as it is stated. */
export function ways(view: WetView): { first: Point[]; second: Point[] } {
  const at = (id: string): Point[] => view.spots.filter((s) => s.id === id).map((s): Point => [s.aft, s.now])
  const box = view.silencer
  const lip: Point[] = box ? [[box.lip[0] ?? 0, box.lip[1] ?? 0]] : []
  const corners = box?.corners.map(([x = 0, y = 0]): Point => [x, y]) ?? []
  const stern = Math.max(...corners.map((c) => c[0]), -Infinity)
  const out: Point[] = corners.length ? [[stern, Math.max(...corners.filter((c) => Math.abs(c[0] - stern) < 1e-6).map((c) => c[1]))]] : []
  return { first: [...at('manifold'), ...at('riser'), ...at('injection'), ...lip], second: [...out, ...at('high'), ...at('outlet')] }
}

/** What has been dragged, moved on by so much: heights up, places aft. */
export function moved(moves: Moves, from: Record<Dragged, number | null>, id: 'riser' | 'high' | 'silencer', aft: number, up: number): Moves {
  const over = moves[id] ?? from[id]
  if (over === null) return moves
  const found: Moves = { ...moves, [id]: round(over + up) }
  if (id === 'riser') return found
  const along = `${id}_aft` as 'high_aft' | 'silencer_aft'
  return { ...found, [along]: round((moves[along] ?? from[along] ?? 0) + aft) }
}

const round = (metres: number) => Math.round(1000 * metres) / 1000

const STEPS: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }
/** How far an arrow key moves a thing [m]: aft, up. */
export function keyed(key: string, fast: boolean): Point | null {
  const step = STEPS[key]
  const by = fast ? 0.05 : 0.01
  return step ? [step[0] * by, step[1] * by] : null
}

/** Up or down, and how far, as a builder moves a foot. */
export const shimmed = (metres: number | null, up: string, down: string, show: (v: number) => string) => (metres === null ? 'not known' : Math.abs(metres) < 5e-6 ? 'as it is' : `${show(Math.abs(metres))} ${metres > 0 ? up : down}`)
