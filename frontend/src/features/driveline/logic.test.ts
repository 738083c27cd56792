import { describe, expect, it } from 'vitest'
import { carriedSaid, chainSaid, frame, gearsSaid, halfSaid, lineSaid, numbers, off, profile, seconds, type CarriedView, type Chain, type GearsView, type Half, type Line, type Piece, type ShaftsView } from './logic'

const say = (v: number, kind: string) => `${v} ${kind}`
const link = (name: string, value: number | null) => ({ name, path: name, sign: 1, value })
const chain = (total: number | null, most: number | null = 0.003): Chain => ({ id: 'bearing', name: 'Bearing', links: [link('bell', 0.1), link('flange', total === null ? null : 0.02)], total, low: total === null ? null : total - 0.001, high: total === null ? null : total + 0.001, least: 0.001, most, words: 'free' })
const piece = (id: string, start: number, end: number): Piece => ({ id, name: id, start, end, inside: 0.02, outside: 0.1 })

describe('a chain', () => {
  it('says what is missing, else what it comes to', () => {
    expect(chainSaid(chain(null), say)).toBe('Bearing: 1 of 2 lengths are still to be taped.')
    expect(chainSaid(chain(0.002), say)).toBe('Bearing: 0.002 size free, 0.001 size to 0.003 size in 95 of 100; 0.001 size to 0.003 size is wanted.')
    expect(chainSaid(chain(0.002, null), say)).toContain('0.001 size or more')
  })
  it('is off outside what is wanted', () => {
    expect([0.0005, 0.002, 0.004].map((v) => off(chain(v)))).toEqual([true, false, true])
    expect(off(chain(0.02, null))).toBe(false)
  })
})

describe('a section', () => {
  it('shows all its pieces', () => {
    const box = frame([piece('a', -0.08, 0.02), piece('b', 0.1, 0.3)])
    expect(box.left).toBeLessThan(-0.08)
    expect(box.left + box.wide).toBeGreaterThan(0.3)
  })
  it('puts no number on another', () => {
    const found = numbers([piece('a', 0, 0.02), piece('b', 0, 0.02), piece('c', 0.001, 0.02)], 0.01)
    for (const [i, a] of found.entries()) for (const b of found.slice(i + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(0.0099)
  })
})

describe('sentences', () => {
  it('of gears', () => {
    const box = (name: string, rpm: number) => ({ name, top_rpm: rpm, starts_on: 0.3 })
    expect(gearsSaid({ boxes: [box('As stated', 2600), box('Six', 2200)], asked: 27 } as unknown as GearsView, say)).toBe('As stated: 2600 speed_rpm at 27 speed in top, starts on 0.3 grade; Six 2200 speed_rpm, 0.3 grade.')
    expect(seconds(null)).toBe('not reached')
  })
  it('of what carries, the fullest first', () => {
    const view = { places: [{ torque: 300 }, { torque: 2000 }, { torque: 1000 }], loaded: [{ name: 'Clutch', asked: 1, stands: 2, kind: 'torque', fill: 0.5 }, { name: 'Hub', asked: 3, stands: 2, kind: 'torque', fill: 1.5 }], capped: true, driven: true } as unknown as CarriedView
    expect(carriedSaid(view, say)).toBe('Hub: 3 torque of 2 torque, 150 %. 2000 torque reach an axle, where its tyres let go.')
  })
  it('of a line', () => {
    const line = { residual: 0.04, shaken: 480, points: [[0, 0, 0], [1, 0, -0.1], [2, 0, -0.2]], ratio: [1, 1.01, 1, 0.99, 1] } as unknown as Line
    expect(lineSaid(line, { speed: 3000, felt: 400 } as ShaftsView, say)).toContain('480 rad/s² at 3000 speed_rpm, 400 are felt')
    expect(profile(line.points, 2, 100, 40).at).toHaveLength(3)
  })
  it('of a half-shaft that does not go in', () => {
    const half = { name: 'Left', angle: [0.1, 0.2], most: 0.35, outer: 0.2, outer_most: 0.78, owned: null, order: 0.5, slides: 0.01, has: 0.04, goes_in: false } as unknown as Half
    expect(halfSaid(half, say)).toBe('Left: 0.5 length joint to joint; it does not go in with the engine there.')
  })
})
