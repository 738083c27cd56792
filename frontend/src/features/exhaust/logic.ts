import type { Check, Schemas, View } from '../../api/client'

export type PipePiece = Schemas['PipePiece']
export type PipeView = View<'exhaust/pipe'>

/** The duty whose back pressure is fullest. */
export function hardest(checks: Pick<Check, 'id' | 'duty' | 'fill'>[]): string {
  const own = checks.filter((c) => c.id === 'back_pressure')
  return own.reduce((worst, c) => (c.fill > worst.fill ? c : worst), own[0] ?? { duty: '', fill: 0 }).duty
}

/** The piece in which most pressure is lost. */
export function costliest(pieces: PipePiece[]): number {
  const lost = pieces.map((p) => p.up - p.down)
  return lost.indexOf(Math.max(...lost))
}

/** Share of the way from cold to hot, for colouring; 300 to 1,200 K. */
export const heat = (kelvin: number) => Math.min(Math.max((kelvin - 300) / 900, 0), 1)

/** Drawn places along the pipe: to scale, but every piece wide enough to be named. */
export function places(pieces: PipePiece[], width: number, least: number): [number, number][] {
  const whole = pieces.reduce((sum, p) => sum + (p.end - p.start), 0) || 1
  const wanted = pieces.map((p) => Math.max(((p.end - p.start) / whole) * width, least))
  const scale = width / wanted.reduce((sum, w) => sum + w, 0)
  let x = 0
  return wanted.map((w) => {
    const from = x
    x += w * scale
    return [from, x]
  })
}
