import { describe, expect, it } from 'vitest'
import { costliest, hardest, heat, places, type PipePiece } from './logic'

const piece = (start: number, end: number, up: number, down: number): PipePiece => ({ name: 'pipe', start, end, outside: 0.06, share: 1, lagged: false, warm: 900, cool: 800, surface: 600, speed: 100, up, down })
const pipe = [piece(0, 1, 9000, 7000), piece(1, 1.1, 7000, 2500), piece(1.1, 3, 2500, 0)]

describe('unrolled pipe', () => {
  it('finds where most pressure goes', () => expect(costliest(pipe)).toBe(1))
  it('fills the width, every piece wide enough to name', () => {
    const found = places(pipe, 600, 60)
    expect(found[0]?.[0]).toBe(0)
    expect(found.at(-1)?.[1]).toBeCloseTo(600)
    expect(Math.min(...found.map(([a, b]) => b - a))).toBeGreaterThan(50)
  })
  it('opens on the duty that loses most', () => {
    const check = (id: string, duty: string, fill: number) => ({ id, duty, fill })
    expect(hardest([check('pipe_loom', '', 4), check('back_pressure', 'a', 0.4), check('back_pressure', 'b', 1.4)])).toBe('b')
    expect(hardest([])).toBe('')
  })
  it('colours by heat', () => {
    expect([heat(200), heat(1300)]).toEqual([0, 1])
  })
})
