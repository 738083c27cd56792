import { describe, expect, it } from 'vitest'
import { inPlace, onYard, withFact } from './parts'

const sheet = {
  cooling: { glycol: { text: '50 %' } },
  parts: [
    { id: 'core', kind: 'core', role: 'cooling.core', facts: { depth: { text: '40 mm' } } },
    { id: 'van', kind: 'core', facts: {} },
    { id: 'pipe_2', kind: 'pipe', role: 'exhaust.pieces', facts: {} },
    { id: 'pipe', kind: 'pipe', role: 'exhaust.pieces', facts: {} },
  ],
}

describe('parts of a sheet', () => {
  it('are found by their place, in order, and on the yard by their kind', () => {
    expect(inPlace(sheet, 'exhaust.pieces').map((p) => p.id)).toEqual(['pipe_2', 'pipe'])
    expect(onYard(sheet, 'core').map((p) => p.id)).toEqual(['van'])
  })
  it('take another value without the sheet being touched', () => {
    const found = withFact(sheet, 'cooling.core.depth', '56 mm')
    expect(inPlace(found, 'cooling.core')[0]?.facts).toEqual({ depth: { text: '56 mm' } })
    expect(inPlace(sheet, 'cooling.core')[0]?.facts).toEqual({ depth: { text: '40 mm' } })
    expect(withFact(sheet, 'cooling.glycol', '30 %').cooling).toEqual({ glycol: { text: '30 %' } })
  })
  it('are there for a fact of a place that is empty', () => {
    expect(inPlace(withFact(sheet, 'cooling.fan.flow', '1 m3/s'), 'cooling.fan')[0]?.facts).toEqual({ flow: { text: '1 m3/s' } })
  })
})
