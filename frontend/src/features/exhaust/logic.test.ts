import { describe, expect, it } from 'vitest'
import { hardest, heat, placeOf, places, tube, type PipePiece } from './logic'

const piece = (start: number, end: number, bank = ''): PipePiece => ({ id: '', name: 'pipe', kind: 'pipe', bank, start, end, outside: 0.06, height: 0.06, body: 0.06, share: bank ? 0.5 : 1, covering: 'bare', oval: false, bends: 0, turn: null, warm: 900, cool: 800, surface: 600, speed: 100, up: 9000, down: 7000, grows: 0.001, mass: 1 })
const pipe = [piece(0, 1), piece(1, 1.1), piece(1.1, 3)]

describe('unrolled pipe', () => {
  it('fills the width, every piece wide enough to name', () => {
    const found = places(pipe, 600, 60)
    expect(found[0]?.[0]).toBe(0)
    expect(found.at(-1)?.[1]).toBeCloseTo(600)
    expect(Math.min(...found.map(([a, b]) => b - a))).toBeGreaterThan(50)
  })
  it('keeps twenty pieces in the width', () => {
    const many = Array.from({ length: 20 }, (_, i) => piece(i, i + 1))
    expect(places(many, 600, 74).at(-1)?.[1]).toBeCloseTo(600)
  })
  it('lays two banks side by side to scale', () => {
    const banks = [piece(0, 1, 'left'), piece(0, 1.5, 'right'), piece(1.5, 3)]
    expect(places(banks, 600, 60)).toEqual([[0, 200], [0, 300], [300, 600]])
  })
  it('finds a place along it', () => {
    const at = places(pipe, 600, 1)
    expect(placeOf(pipe, at, 0.5)).toBeCloseTo(100)
    expect(placeOf(pipe, at, 9)).toBeCloseTo(600)
  })
  it('opens on the duty that loses most', () => {
    const check = (id: string, duty: string, fill: number) => ({ id, duty, fill })
    expect(hardest([check('pipe_loom', '', 4), check('back_pressure', 'a', 0.4), check('back_pressure', 'b', 1.4)])).toBe('b')
    expect(hardest([])).toBe('')
  })
  it('colours by heat', () => {
    expect([heat(200), heat(1300)]).toEqual([0, 1])
  })
  it('snaps to tube that is sold', () => {
    const sold = [0.035, 0.0635, 0.07, 0.1524]
    expect([tube(sold, 0.064), tube(sold, 0.0635, 1), tube(sold, 0.01), tube(sold, 0.1524, 1)]).toEqual([0.0635, 0.07, 0.035, 0.1524])
  })
})
