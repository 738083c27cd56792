import { describe, expect, it } from 'vitest'
import { frameOf, hullOf, keyed, moved, shimmed, ways, type Dragged, type Point, type WetView } from './logic'

const spot = (id: string, aft: number, now: number) => ({ id, name: id, aft, left: 0, over: now, now, least: now, position: 'at rest', stated: true })
const view = {
  spots: [spot('manifold', 0.5, 0.3), spot('injection', 0.7, 0.1), spot('high', 3, 0.8), spot('outlet', 3.6, 0.2)],
  silencer: { corners: [[1.3, -0.4], [1.7, -0.4], [1.3, -0.1], [1.7, -0.1]], lip: [1.5, -0.2] },
} as unknown as WetView
const from: Record<Dragged, number | null> = { riser: null, high: 0.8, high_aft: 3, silencer: -0.4, silencer_aft: 1.5 }

describe('elevation', () => {
  it('has all that is drawn and the sea in its frame', () => {
    const f = frameOf(view)
    expect(f.left).toBeLessThan(0.5)
    expect(f.right).toBeGreaterThan(3.6)
    expect(f.low).toBeLessThan(-0.4)
    expect(f.high).toBeGreaterThan(0.8)
  })
  it('takes the gas from the port to the lip, and from the silencer over to the outlet', () => {
    const { first, second } = ways(view)
    expect(first).toEqual([[0.5, 0.3], [0.7, 0.1], [1.5, -0.2]])
    expect(second).toEqual([[1.7, -0.1], [3, 0.8], [3.6, 0.2]])
  })
  it('goes round a box once', () => {
    const round: Point[] = [[0, 0], [1, 0], [1, 1], [0, 1], [0.5, 0.5]]
    expect(hullOf(round)).toHaveLength(4)
  })
})

describe('dragging', () => {
  it('moves the highest place both ways, a riser only up', () => {
    expect(moved({}, from, 'high', 0.1, 0.05)).toEqual({ high: 0.85, high_aft: 3.1 })
    expect(moved({}, { ...from, riser: 0.5 }, 'riser', 0.1, 0.05)).toEqual({ riser: 0.55 })
  })
  it('goes on from where it was dragged to', () => expect(moved({ high: 1, high_aft: 3 }, from, 'high', 0, 0.1).high).toBe(1.1))
  it('leaves alone what has no place', () => expect(moved({}, from, 'riser', 0, 0.1)).toEqual({}))
  it('steps by keys, five times as far with shift', () => {
    expect(keyed('ArrowUp', false)).toEqual([0, 0.01])
    expect(keyed('ArrowLeft', true)).toEqual([-0.05, 0])
    expect(keyed('a', false)).toBeNull()
  })
})

it('says which way a foot goes', () => {
  const mm = (v: number) => `${(1000 * v).toFixed(1)} mm`
  expect(shimmed(-0.001, 'in', 'out', mm)).toBe('1.0 mm out')
  expect(shimmed(0.0005, 'in', 'out', mm)).toBe('0.5 mm in')
  expect(shimmed(0, 'in', 'out', mm)).toBe('as it is')
  expect(shimmed(null, 'in', 'out', mm)).toBe('not known')
})
