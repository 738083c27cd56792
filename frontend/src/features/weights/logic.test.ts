import { describe, expect, it } from 'vitest'
import { along, hung, moments, steps, type Ledger, type Lifting, type Moments } from './logic'

describe('weights as they are drawn', () => {
  it('lays all arms between the edges, front to the left', () => {
    const data = { wheelbase: 2.5, cg_x: 1.2, stripped_x: 1.5, lines: [{ arm: -0.5 }], stands: null } as unknown as Ledger
    const x = along(data, 360)
    expect([x(-0.5), x(2.5)]).toEqual([30, 330])
  })
  it('steps ticks aside that would meet', () => {
    expect(steps([10, 12, 60, 14], 20)).toEqual([0, 1, 0, 2])
  })
  it('tilts the unit until the balance point hangs under the ring, front up where the ring stood ahead', () => {
    const data = { ring: [0.25, 0.75], balance: [0.19, 0.1], tilt: Math.atan2(0.06, 0.65) } as unknown as Lifting
    const [x] = hung(data, [0.19, 0.1], true)
    expect(x).toBeCloseTo(-250, 6)
    const level = hung(data, [0.6, 0.1], false)
    expect(level[0]).toBeCloseTo(-600)
    expect(level[1]).toBeCloseTo(-100)
    expect(hung(data, [0.6, 0.1], true)[1]).toBeLessThan(level[1])
  })
  it('holds the envelope and every state', () => {
    const data = { envelope: [[0.3, 360], [0.5, 560]], states: [{ arm: 0.6, mass: 300 }] } as unknown as Moments
    const at = moments(data, 400, 300)
    for (const [arm, mass] of [[0.3, 360], [0.5, 560], [0.6, 300]] as const) {
      const [x, y] = at(arm, mass)
      expect(x).toBeGreaterThan(40)
      expect(x).toBeLessThan(390)
      expect(y).toBeGreaterThan(10)
      expect(y).toBeLessThan(270)
    }
  })
})
