import { describe, expect, it } from 'vitest'
import type { Change } from '../api/client'
import { foldSizes } from './changes'

const change = (id: string, mends = false): Change => ({ id, mends, rejected: false }) as Change

describe('sizes of one change', () => {
  it('are one line, the smallest that mends it first', () => {
    const found = foldSizes([change('oil.cooler_air_180', true), change('oil.cooler_air_40'), change('oil.cooler_air_90', true), change('fuel.pump'), change('fuel.pump_2')])
    expect(found.map((l) => [l.change.id, l.others.map((c) => c.id)])).toEqual([
      ['oil.cooler_air_90', ['oil.cooler_air_40', 'oil.cooler_air_180']],
      ['fuel.pump', ['fuel.pump_2']],
    ])
  })
  it('are whatever does most where none mends it', () => {
    expect(foldSizes([change('fuel.injectors_2'), change('fuel.injectors')])[0]?.change.id).toBe('fuel.injectors_2')
  })
  it('keep a line of its own for what somebody priced', () => {
    const priced = { ...change('fuel.injectors_2', true), price: '240' }
    expect(foldSizes([change('fuel.injectors', true), priced]).map((l) => l.change.id)).toEqual(['fuel.injectors', 'fuel.injectors_2'])
  })
  it('leave pairs alone', () => {
    expect(foldSizes([change('a.x_1+b.y_2'), change('a.x_1+b.y_3')])).toHaveLength(2)
  })
})
