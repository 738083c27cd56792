import type { View } from '../../api/client'

export type LedgerView = View<'routes/ledger'>
export type JointsView = View<'routes/joints'>
export type RunRow = LedgerView['runs'][number]
type Show = (v: number, kind: string) => string

export function ledgerSaid(view: LedgerView): string {
  const n = view.runs.length
  const lost = view.forgotten.length
  if (!n && !lost) return ''
  if (!n) return `Nothing is routed yet: ${lost} ${lost === 1 ? 'run is' : 'runs are'} stated elsewhere.`
  const cut = view.runs.filter((r) => short(r)).length
  const said = [lost ? `${lost} stated and not routed` : 'all that is stated is routed', ...(cut ? [`${cut} cut too short`] : [])]
  return `${n} ${n === 1 ? 'run' : 'runs'}: ${said.join(', ')}.`
}

/** Cut shorter than its way asks. */
export const short = (r: RunRow) => r.cut !== null && r.needed !== null && r.cut < r.needed

/** Where runs lie in a drawing so wide: along the machine, and in each lane side by side by their number. */
export function strip(view: LedgerView, wide: number, high: number) {
  const ends = view.end > view.start ? [view.start, view.end] : [0, 1]
  const margin = 14
  const from = ends[0] ?? 0
  const scale = (wide - 2 * margin) / Math.max((ends[1] ?? 1) - from, 1e-6)
  const x = (along: number) => margin + (along - from) * scale
  const lane = high / 3
  const drawn = view.runs.filter((r) => r.legs.length)
  const beside = new Map<number, number[]>()
  for (const run of drawn) {
    const own = run.legs.find((l) => l[0] !== l[2])?.[1] ?? run.legs[0]?.[1] ?? 0
    beside.set(own, [...(beside.get(own) ?? []), run.number])
  }
  const y = (number: number, at: number) => {
    const own = beside.get(at) ?? []
    const place = own.indexOf(number)
    return lane * at + (place < 0 ? lane / 2 : (lane * (place + 1)) / (own.length + 1))
  }
  const tracks = drawn.map((run) => {
    const points: [number, number][] = []
    for (const [x0, l0, x1, l1] of run.legs) {
      if (!points.length) points.push([x(x0), y(run.number, l0)])
      points.push([x(x1), y(run.number, l1)])
    }
    return { run, points, path: points.map(([a, b], i) => `${i ? 'L' : 'M'}${a.toFixed(1)} ${b.toFixed(1)}`).join('') }
  })
  return { x, y, lane, tracks, crossings: view.crossings.map((c) => ({ ...c, px: x(c.at), py: y(c.along, c.lane) })) }
}

/** Even places along the machine for its scale [m]. */
export function marks(view: LedgerView): number[] {
  const long = view.end - view.start
  const every = [0.25, 0.5, 1, 2, 5].find((e) => long / e <= 8) ?? 10
  const first = Math.ceil(view.start / every - 1e-9) * every
  return Array.from({ length: Math.floor((view.end - first) / every + 1e-9) + 1 }, (_, i) => first + i * every)
}

export const pieceSaid = (r: RunRow, show: Show) => [r.cut === null ? (r.needed === null ? '–' : `cut ${show(r.needed, 'length')}`) : show(r.cut, 'length'), r.bore === null ? '' : show(r.bore, 'size')].filter(Boolean).join(', ')
