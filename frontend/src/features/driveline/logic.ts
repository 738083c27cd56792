import type { View } from '../../api/client'

export type StackView = View<'driveline/stack'>
export type GearsView = View<'driveline/gears'>
export type CarriedView = View<'driveline/carried'>
export type ShaftsView = View<'driveline/shafts'>
export type HalvesView = View<'driveline/halves'>
export type OilView = View<'driveline/oil'>
export type Chain = StackView['chains'][number]
export type Piece = StackView['pieces'][number]
export type Line = ShaftsView['lines'][number]
export type Half = HalvesView['halves'][number]

type Say = (v: number, kind: string) => string

/** What a chain comes to, in a sentence. */
export function chainSaid(chain: Chain, say: Say): string {
  const mm = (v: number) => say(v, 'size')
  if (chain.total === null) return `${chain.name}: ${chain.links.filter((l) => l.value === null).length} of ${chain.links.length} lengths are still to be taped.`
  const band = chain.low !== null && chain.high !== null && chain.high - chain.low > 2e-5 ? `, ${mm(chain.low)} to ${mm(chain.high)} in 95 of 100` : ''
  const wanted = chain.most === null ? `${mm(chain.least)} or more` : `${mm(chain.least)} to ${mm(chain.most)}`
  return `${chain.name}: ${mm(chain.total)} ${chain.words}${band}; ${wanted} is wanted.`
}

/** Whether a chain is off what is wanted of it. */
export const off = (chain: Chain) => chain.total !== null && (chain.total < chain.least || (chain.most !== null && chain.total > chain.most))

/** What is drawn of the stack, its upper half [m], rearward to the right. */
export function frame(pieces: readonly Piece[]): { left: number; wide: number; high: number } {
  const left = Math.min(-0.05, ...pieces.map((p) => p.start)) - 0.01
  const right = Math.max(0.12, ...pieces.map((p) => p.end)) + 0.01
  const high = Math.max(0.09, ...pieces.map((p) => p.outside)) + 0.008
  return { left, wide: right - left, high }
}

/** Numbers on a section, from front to rear: in the middle of a piece, moved aside where one lies there already [m]. */
export function numbers(pieces: readonly Piece[], size: number): { piece: Piece; n: number; x: number; y: number }[] {
  const found: { piece: Piece; n: number; x: number; y: number }[] = []
  for (const [i, piece] of [...pieces].sort((a, b) => a.start - b.start).entries()) {
    const x = (piece.start + piece.end) / 2
    const middle = (piece.inside + piece.outside) / 2
    const places = [middle, ...[1, -1, 2, -2, 3, -3, 4, -4, 5, -5, 6].map((k) => middle + k * size)]
    const free = (y: number) => y > size / 2 && found.every((o) => Math.hypot(o.x - x, o.y - y) > size)
    found.push({ piece, n: i + 1, x, y: places.find(free) ?? middle })
  }
  return found
}

/** First answer of the gears: what the boxes are told apart by. */
export function gearsSaid(view: GearsView, say: Say): string {
  const [first, ...others] = view.boxes
  if (!first) return ''
  const own = `${first.name}: ${say(first.top_rpm, 'speed_rpm')} at ${say(view.asked, 'speed')} in top, starts on ${say(first.starts_on, 'grade')}`
  const more = others.map((b) => `${b.name} ${say(b.top_rpm, 'speed_rpm')}, ${say(b.starts_on, 'grade')}`)
  return `${[own, ...more].join('; ')}.`
}

/** Seconds, or that it does not get there. */
export const seconds = (v: number | null) => (v === null ? 'not reached' : `${v.toFixed(1)} s`)

/** What gives first of what carries; the torque where nothing is stated. */
export function carriedSaid(view: CarriedView, say: Say): string {
  const worst = [...view.loaded].sort((a, b) => b.fill - a.fill)[0]
  const out = view.places.at(-2)
  const tail = out && view.driven ? `${say(out.torque, 'torque')} reach an axle${view.capped ? ', where its tyres let go' : ''}` : `${say(view.places[0]?.torque ?? 0, 'torque')} from the engine`
  return worst ? `${worst.name}: ${say(worst.asked, worst.kind)} of ${say(worst.stands, worst.kind)}, ${Math.round(100 * worst.fill)} %. ${tail}.` : `${tail}; what carries it is not stated.`
}

/** How unevenly a line turns. */
export function lineSaid(line: Line, view: ShaftsView, say: Say): string {
  const left = `What its joints leave is as one joint bent ${say(line.residual, 'angle')}`
  if (line.shaken === null || view.speed === null) return `${left}; how fast it turns is not known.`
  return `${left}: ${Math.round(line.shaken).toLocaleString('en')} rad/s² at ${say(view.speed, 'speed_rpm')}, ${view.felt} are felt.`
}

/** A line of points as a path, seen from the side (up) or from above (left), fitted to a box. */
export function profile(points: Line['points'], of: 1 | 2, wide: number, high: number): { path: string; at: [number, number][] } {
  const xs = points.map((p) => p[0] ?? 0)
  const ys = points.map((p) => -(p[of] ?? 0))
  const long = Math.max(...xs) - Math.min(...xs) || 1
  const mid = (Math.max(...ys) + Math.min(...ys)) / 2
  const k = Math.min(wide / long, high / Math.max(Math.max(...ys) - Math.min(...ys), 1e-6))
  const at = points.map((_, i): [number, number] => [((xs[i] ?? 0) - Math.min(...xs)) * k + (wide - long * k) / 2, ((ys[i] ?? 0) - mid) * k + high / 2])
  return { path: `M${at.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`, at }
}

/** Whether a half-shaft is fit for its travel, in a sentence. */
export function halfSaid(half: Half, say: Say): string {
  const worst = Math.max(...half.angle)
  const bad = [
    ...(worst > half.most ? [`its inner joint bends ${say(worst, 'angle')}, ${say(half.most, 'angle')} is its most`] : []),
    ...(half.outer > half.outer_most ? [`its outer joint bends ${say(half.outer, 'angle')}`] : []),
    ...(half.owned !== null && Math.abs(half.owned - half.order) + half.slides / 2 > half.has / 2 ? [`the one there is ${say(half.owned, 'length')}`] : []),
    ...(half.owned === null && half.slides > half.has ? [`its joint slides ${say(half.has, 'size')} only`] : []),
    ...(half.goes_in === false ? ['it does not go in with the engine there'] : []),
  ]
  return `${half.name}: ${say(half.order, 'length')} joint to joint${bad.length ? `; ${bad.join('; ')}` : `, bends ${say(worst, 'angle')} at most and slides ${say(half.slides, 'size')}`}.`
}
