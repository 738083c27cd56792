import { describe, expect, it } from 'vitest'
import { ledgerSaid, marks, short, strip, type LedgerView } from './logic'

const run = (number: number, legs: [number, number, number, number][], cut: number | null = 2, needed: number | null = 1.5) => ({ id: `r${number}`, number, name: `Run ${number}`, cut, needed, legs })
const view = (runs: ReturnType<typeof run>[], forgotten = 0) => ({ runs, forgotten: Array.from({ length: forgotten }, () => ({})), crossings: [], bundles: [], start: 1, end: 4, lanes: ['left', 'middle', 'right'] }) as unknown as LedgerView

describe('ledger', () => {
  it('says what is left to do', () => {
    expect(ledgerSaid(view([], 3))).toContain('3 runs are stated elsewhere')
    expect(ledgerSaid(view([run(1, [])]))).toBe('1 run: all that is stated is routed.')
    expect(ledgerSaid(view([run(1, [], 1), run(2, [])], 2))).toBe('2 runs: 2 stated and not routed, 1 cut too short.')
    expect(ledgerSaid(view([]))).toBe('')
  })
  it('knows a piece that is too short', () => {
    expect(short(run(1, [], 1.4, 1.5) as never)).toBe(true)
    expect(short(run(1, [], null, 1.5) as never)).toBe(false)
  })
})

describe('strip', () => {
  const drawn = strip(view([run(1, [[1, 0, 4, 0]]), run(2, [[1, 2, 1, 0], [1, 0, 3, 0]])]), 328, 300)
  it('lays runs of a lane beside each other, to scale along', () => {
    const [one, two] = drawn.tracks
    expect(one?.points.map(([x]) => x)).toEqual([14, 314])
    expect(two?.points.at(-1)?.[0]).toBeCloseTo(214)
    expect(one?.points[0]?.[1]).not.toBeCloseTo(two?.points.at(-1)?.[1] ?? 0)
    expect(two?.points[0]?.[1]).toBeGreaterThan(200)
  })
  it('marks even places', () => {
    expect(marks(view([]))).toEqual([1, 1.5, 2, 2.5, 3, 3.5, 4])
  })
})
