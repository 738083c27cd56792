import type { Check, Schemas, View } from '../../api/client'

export type PipePiece = Schemas['PipePiece']
export type PipeView = View<'exhaust/pipe'>
export type SizesView = View<'exhaust/sizes'>
export type HeatView = View<'exhaust/heat'>
export type CutsView = View<'exhaust/cuts'>

/** The duty whose back pressure is fullest. */
export function hardest(checks: Pick<Check, 'id' | 'duty' | 'fill'>[]): string {
  const own = checks.filter((c) => c.id === 'back_pressure')
  return own.reduce((worst, c) => (c.fill > worst.fill ? c : worst), own[0] ?? { duty: '', fill: 0 }).duty
}

/** Share of the way from cold to hot, for colouring; 300 to 1,200 K. */
export const heat = (kelvin: number) => Math.min(Math.max((kelvin - 300) / 900, 0), 1)

/** Drawn places along the pipe: to scale, but every piece wide enough to be named; two banks side by side strictly to scale. */
export function places(pieces: PipePiece[], width: number, least: number): [number, number][] {
  if (pieces.some((p) => p.bank)) {
    const whole = Math.max(...pieces.map((p) => p.end)) || 1
    return pieces.map((p) => [(p.start / whole) * width, (p.end / whole) * width])
  }
  const whole = pieces.reduce((sum, p) => sum + (p.end - p.start), 0) || 1
  const narrowest = Math.min(least, (0.8 * width) / Math.max(pieces.length, 1))
  const wanted = pieces.map((p) => Math.max(((p.end - p.start) / whole) * width, narrowest))
  const scale = width / wanted.reduce((sum, w) => sum + w, 0)
  let x = 0
  return wanted.map((w) => {
    const from = x
    x += w * scale
    return [from, x]
  })
}

/** Where a distance from the flange [m] is drawn. */
export function placeOf(pieces: PipePiece[], at: [number, number][], along: number): number {
  const run = pieces.map((p, i) => ({ p, i })).filter(({ p }) => p.bank !== 'right')
  const found = run.find(({ p }) => along <= p.end + 1e-9) ?? run.at(-1)
  if (!found) return 0
  const [from, to] = at[found.i] ?? [0, 0]
  const share = (along - found.p.start) / Math.max(found.p.end - found.p.start, 1e-9)
  return from + Math.min(Math.max(share, 0), 1) * (to - from)
}

/** Of tubes as they are sold the one nearest to an outside [m], or the next one up or down from it. */
export function tube(tubes: number[], outside: number, step = 0): number {
  const at = tubes.reduce((best, t, i) => (Math.abs(t - outside) < Math.abs((tubes[best] ?? 0) - outside) ? i : best), 0)
  return tubes[Math.min(Math.max(at + step, 0), tubes.length - 1)] ?? outside
}
