import { describe, expect, it } from 'vitest'
import { narrow, type FuelInstrument } from './logic'

const base: FuelInstrument = { duty: 'pull', asked: 1, moved: 0.8, rail: 3e5, injection: 'port', rail_kind: 'returned', place: 'tank' }

describe('narrow place', () => {
  it('is nothing when all is below the brim or not known', () => {
    expect(narrow(base)).toBeNull()
    expect(narrow({ ...base, point: { flow: 2, pressure: 3e5 }, injector: { share: 0.5, ceiling: 0.85, flow: 1 } })).toBeNull()
  })
  it('is the fuller one when over', () => {
    expect(narrow({ ...base, point: { flow: 0.8, pressure: 3e5 }, injector: { share: 0.9, ceiling: 0.85, flow: 1 } })).toBe('pump')
    expect(narrow({ ...base, point: { flow: 2, pressure: 3e5 }, injector: { share: 0.9, ceiling: 0.85, flow: 1 } })).toBe('injectors')
    expect(narrow({ ...base, point: { flow: 0, pressure: 3e5 } })).toBe('pump')
  })
})
