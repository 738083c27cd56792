import { describe, expect, it } from 'vitest'
import { letters, SKETCHES } from './sketches'

describe('letters of a datum sketch', () => {
  it('go in the order listed, to what the sketch shows', () => {
    expect(letters('stand', ['oil.pickup.x', 'engine.stroke', 'oil.pan.depth'])).toEqual({ 'oil.pickup.x': 'A', 'oil.pan.depth': 'B' })
  })
  it('are none where there is no sketch', () => {
    expect(letters('papers', ['machine.mass'])).toEqual({})
  })
  it('go on after Z', () => {
    const paths = Object.values(SKETCHES).flat().flatMap((s) => s.marks.map((m) => m.path)).filter((p) => p.startsWith('fit.unit') || p.startsWith('fit.gearcase') || p.startsWith('oil.'))
    const found = letters('stand', paths)
    expect(new Set(Object.values(found)).size).toBe(Object.keys(found).length)
  })
  it('stand once for each fact of a sketch', () => {
    for (const sketch of Object.values(SKETCHES).flat()) expect(new Set(sketch.marks.map((m) => m.path)).size).toBe(sketch.marks.length)
  })
})
