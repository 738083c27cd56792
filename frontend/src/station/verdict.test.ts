import { describe, expect, it } from 'vitest'
import type { Check, Schemas, SystemBlock } from '../api/client'
import { verdict } from './verdict'

const duties = [{ id: 'grade', name: 'Long grade', kind: 'road', power_driven: false, ambient_k: 311, air_speed_m_s: 20, duration_s: null }] satisfies Schemas['DutyOut'][]
const check = (fill: number): Check => ({
  id: 'heat', name: 'Heat', part: 'core_fan', duty: 'grade', class: 'limit', scales: 'load', demand: 1, capacity: 1, unit: 'heat',
  fill, fill_code: '', state: fill > 1 ? 'short' : 'holds', danger: false, sentence: 'Holds to 28 °C.',
})
const block = (checks: Check[], unknown: Schemas['UnknownOut'][] = []): SystemBlock => ({
  title: 'Cooling', state: 'holds', fill: checks[0]?.fill ?? null, reach_w: null, reach_code: 'unknown', unknown,
  governing: checks.length ? { check: 'heat', duty: 'grade' } : null, checks, figures: {}, need: [], working: {}, cautions: [], decides: [], notices: [],
})
const said = (b: SystemBlock) => {
  const v = verdict(b, duties)
  return `${v.lead} ${v.strong}${v.tail}`
}

describe('verdict', () => {
  it('says by how much it is over and where', () => {
    expect(said(block([check(1.141)]))).toBe('Cooling runs 14 % over: long grade.')
    expect(said(block([check(9.99)]))).toBe('Cooling fails: long grade.')
    expect(said(block([check(1.002)]))).toBe('Cooling runs <1 % over: long grade.')
  })
  it('says nothing of a glass that stays empty', () => {
    expect(said(block([check(0.001)]))).toBe('Cooling holds, with room to spare: long grade.')
  })
  it('says how full it gets at most', () => {
    expect(said(block([check(0.74)]))).toBe('Cooling holds, 74 % full at most: long grade.')
  })
  it('says what only costs', () => {
    expect(said(block([{ ...check(1.4), class: 'cost' }]))).toBe('Cooling holds, at a cost: long grade.')
  })
  it('says what costs beside what holds', () => {
    const dear = { ...check(3.7), id: 'back', name: 'Back pressure', class: 'cost' as const, sentence: '37 kPa at the flange.' }
    expect(said(block([check(0.7), dear]))).toBe('Cooling holds, 70 % full at most: long grade.')
    expect(verdict(block([check(0.7), dear]), duties).detail).toContain('What it costs: 37 kPa at the flange.')
  })
  it('says what is not known', () => {
    const unknown = [{ check: 'heat', name: 'Heat', part: 'core_fan', missing: ['cooling.core.width'] }]
    expect(said(block([], unknown))).toBe('Cooling is not known yet.')
    expect(verdict(block([check(0.5)], unknown), duties).detail).toContain('Not known yet: heat.')
  })
})
