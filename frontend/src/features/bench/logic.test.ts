import { describe, expect, it } from 'vitest'
import type { Report, Row } from '../../api/client'
import { axisTop, measuredHere, nudge, split, ticks, told } from './logic'

const row = (over: Partial<Row>): Row => ({
  system: 'fuel', part: 'pump', label: 'Fuel pump', kind: 'power', reach_w: null, reach_code: 'value', carries_w: null, needs_w: null,
  fill: 0.5, fill_code: '', check: 'pump_flow', duty: 'pull', missing: [], sentence: '', state: 'holds', ...over,
})

describe('bench', () => {
  it('puts round ticks on an axis', () => {
    expect(ticks(400)).toEqual([0, 50, 100, 150, 200, 250, 300, 350, 400])
    expect(ticks(0)).toEqual([0])
  })
  it('does not let one far bar squeeze the others', () => {
    expect(axisTop(100, [row({ reach_w: 120 }), row({ reach_w: 380 })])).toBeLessThan(200)
  })
  it('sorts what gives out first to the top, and unknown after what is known', () => {
    const rows = [row({ part: 'a', reach_w: 300 }), row({ part: 'b', reach_w: null, reach_code: 'unknown' }), row({ part: 'c', reach_w: null, reach_code: 'below' }), row({ part: 'd', kind: 'gate' })]
    const found = split(rows, 200)
    expect(found.power.map((r) => r.part)).toEqual(['c', 'a', 'b'])
    expect(found.fixed.map((r) => r.part)).toEqual(['d'])
  })
  it('puts a load among the bars where it asks more than full power does', () => {
    const load = { kind: 'load' as const, carries_w: 50, needs_w: 100, fill: 1.6 }
    const rows = [row({ part: 'core', reach_w: 300 }), row({ part: 'core', ...load }), row({ part: 'pump', reach_w: 90, fill: 1.1 }), row({ part: 'pump', ...load, fill: 0.2 })]
    const found = split(rows, 100)
    expect(found.power.map((r) => `${r.part} ${r.kind}`)).toEqual(['core load', 'pump power', 'core power'])
    expect(found.fixed.map((r) => `${r.part} ${r.kind}`)).toEqual(['pump load'])
  })
  it('tells the lowest bars and those near their end, the rest by system until it is opened', () => {
    const rows = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i'].map((part, i) => row({ part, system: i < 7 ? 'fuel' : 'oil', fill: part === 'h' ? 0.95 : 0.5 }))
    const found = told(rows, new Set())
    expect(found.told.map((r) => r.part)).toEqual(['a', 'b', 'c', 'd', 'e', 'f', 'h'])
    expect(found.rest.map((l) => [l.system, l.rows.map((r) => r.part)])).toEqual([['fuel', ['g']], ['oil', ['i']]])
    const opened = told(rows, new Set(['oil']))
    expect(opened.told.map((r) => r.part)).toEqual(['a', 'b', 'c', 'd', 'e', 'f', 'h', 'i'])
    expect(opened.rest.map((l) => l.system)).toEqual(['fuel'])
    expect(told(rows.slice(0, 7), new Set()).told).toHaveLength(7)
  })
  it('moves the wanted line by keys', () => {
    expect(nudge(1000, 'ArrowRight', false)).toBeCloseTo(1010)
    expect(nudge(1000, 'ArrowLeft', true)).toBeCloseTo(900)
    expect(nudge(1000, 'x', false)).toBeNull()
  })
  it('marks rows that go by what was measured here, and no others', () => {
    const report = { measured: { rows: [{ system: 'cooling', part: 'core_fan', kind: 'load', reach_w: null, carries_w: 3e4 }] } } as unknown as Report
    expect(measuredHere(report, row({ system: 'cooling', part: 'core_fan', kind: 'load' }))).toBe(true)
    expect(measuredHere(report, row({ system: 'cooling', part: 'core_fan', kind: 'power' }))).toBe(false)
    expect(measuredHere({ measured: null } as Report, row({}))).toBe(false)
    expect(measuredHere(null, row({}))).toBe(false)
  })
})
