import { describe, expect, it } from 'vitest'
import { letters, SKETCHES } from './sketches'

describe('letters of a datum sketch', () => {
  it('go in the order listed, to what the sketch shows', () => {
    expect(letters('stand', ['oil.pickup.x', 'engine.stroke', 'oil.pan.depth'])).toEqual({ 'oil.pickup.x': 'A', 'oil.pan.depth': 'B' })
  })
  it('are none where there is no sketch', () => {
    expect(letters('papers', ['machine.mass'])).toEqual({})
  })
  it('stand once for each fact of a sketch', () => {
    for (const sketch of Object.values(SKETCHES)) expect(new Set(sketch.marks.map((m) => m.path)).size).toBe(sketch.marks.length)
  })
})
