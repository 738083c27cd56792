import { describe, expect, it } from 'vitest'
import { slices } from './logic'

describe('energy split', () => {
  it('adds chemical loss and unburnt into one slice and its shares to one', () => {
    const found = slices({ engine_power_w: 30, heat_to_coolant_w: 20, heat_to_oil_w: 5, exhaust_power_w: 30, chemical_loss_w: 10, unburned_w: 2, radiation_w: 3 })
    expect(found.find((s) => s.name === 'unburnt')?.watts).toBe(12)
    expect(found.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 12)
  })
  it('stays finite with nothing known', () => {
    expect(slices({}).every((s) => s.share === 0)).toBe(true)
  })
})
