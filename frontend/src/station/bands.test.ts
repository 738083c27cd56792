import { describe, expect, it } from 'vitest'
import type { Report, Row } from '../api/client'
import { chance, whisker, withBands } from './bands'

const row = (more: Partial<Row>): Row => ({ system: 'fuel', part: 'pump', label: 'Fuel pump', kind: 'power', reach_w: 100, reach_code: 'value', carries_w: null, needs_w: null, fill: 0.9, fill_code: '', check: 'pump_flow', duty: 'pull', missing: [], sentence: '', ...more }) as Row

describe('whisker', () => {
  it('runs between both percentiles', () => {
    expect(whisker(row({ reach_low_w: 80, reach_high_w: 120, reach_low_code: 'value', reach_high_code: 'value' }), 200)).toEqual({ low: 80, high: 120 })
  })
  it('runs off the axis above every scan, and from nought below it', () => {
    expect(whisker(row({ reach_low_w: null, reach_high_w: null, reach_low_code: 'below', reach_high_code: 'above' }), 200)).toEqual({ low: 0, high: 200 })
  })
  it('is absent where tolerance was not asked for', () => {
    expect(whisker(row({}), 200)).toBeNull()
  })
})

describe('withBands', () => {
  const check = { id: 'pump_flow', duty: 'pull', sentence: 'kept', fill: 0.9 }
  const block = { title: 'Fuel', state: 'holds', checks: [check] }
  const report = { state: 'holds', rows: [row({})], systems: { fuel: block } } as unknown as Report
  it('takes bands and states, and keeps the words', () => {
    const sure = { state: 'tight', samples: 1024, holds_probability: 0.6, rows: [row({ reach_low_w: 80, reach_low_code: 'value' })], systems: { fuel: { ...block, state: 'tight', holds_probability: 0.6, checks: [{ ...check, sentence: '', fill_high: 1.1 }] } } } as unknown as Report
    const found = withBands(report, sure)
    expect([found.state, found.systems.fuel?.state, found.rows[0]?.reach_low_w]).toEqual(['tight', 'tight', 80])
    expect(found.systems.fuel?.checks[0]).toMatchObject({ sentence: 'kept', fill_high: 1.1 })
  })
  it('leaves a check that the other does not know', () => {
    const sure = { ...report, systems: {} } as unknown as Report
    expect(withBands(report, sure).systems.fuel?.checks[0]).toEqual(check)
  })
})

describe('chance', () => {
  it('is never certain by samples alone', () => {
    expect([0, 0.004, 0.38, 1].map(chance)).toEqual(['under 1 %', 'under 1 %', '38 %', 'over 99 %'])
  })
})
