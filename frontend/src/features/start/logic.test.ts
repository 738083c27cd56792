import { describe, expect, it } from 'vitest'
import { line } from '../../stores/build'
import { clock, foreseen, judge, lasted, newest, proved, recordOf, scale, shout, siOf, spoken, standing, type Expected, type Hold, type Record, type Step } from './logic'
import { withUnit } from '../../ui/withUnit'

const CELSIUS = { symbol: '°C', factor: 1, offset: 273.15, digits: 3, decimals: 0 } as never
const made = (more: Partial<Expected>): Expected => ({ id: 'coolant', label: 'Coolant, engine’s outlet', kind: 'temperature', steps: ['long'], how: '', likely: null, low: null, high: null, least: null, most: null, after: 0, curve: [], by_oil: [], missing: [], rests: [], stops_after: null, ...more })
const step = (more: Partial<Step>): Step => ({ id: 'first', label: 'First run', do: '', least: 15, most: 20, rest: 0, tries: 3, runs: true, shouts: [], look: [], caution: '', missing: [], rests: [], ...more })
const NONE: Record = { place: '', air: '', symptom: '', holds: [], runs: [], readings: [], looks: [], note: '' }
const at = (s: number) => new Date(Date.UTC(2026, 10, 29, 9, 0, 0) + 1000 * s).toISOString()

describe('the record with what is not sent yet', () => {
  it('lays edits over what is kept', () => {
    const document = { start: { place: 'hose', runs: [{ id: 'a', step: 'first', began: at(0) }] } }
    const found = recordOf(document, [line('start.runs.a.ended', at(17)), line('start.readings.r1.what', 'coolant'), line('start.readings.r1.value', '71 °C'), line('start.air', '4 °C'), line('work.tasks.go.done', '2026-11-29')])
    expect(found.runs).toEqual([{ id: 'a', step: 'first', began: at(0), ended: at(17) }])
    expect(found.readings).toEqual([{ id: 'r1', what: 'coolant', value: '71 °C' }])
    expect([found.place, found.air]).toEqual(['hose', '4 °C'])
    // What is kept stays as it was.
    expect(document.start.runs[0]).not.toHaveProperty('ended')
  })
  it('takes out what is taken out', () => {
    const document = { start: { looks: [{ id: 'cooling__gauge', value: '112 °C' }], symptom: 'hot_idle' } }
    const found = recordOf(document, [line('start.looks.cooling__gauge', null, { action: 'remove' }), line('start.symptom', null)])
    expect(found.looks).toEqual([])
    expect(found.symptom).toBe('')
  })
  it('is empty where nothing is kept', () => expect(recordOf({}, [])).toEqual(NONE))
})

describe('numbers as they are typed', () => {
  it('reads the build’s own unit and a bare number', () => {
    expect(siOf('71', CELSIUS)).toBeCloseTo(344.15, 9)
    expect(siOf(' 71,5 °C', CELSIUS)).toBeCloseTo(344.65, 9)
    expect(siOf('−5', CELSIUS)).toBeCloseTo(268.15, 9)
  })
  it('leaves other units to the server', () => {
    expect(siOf('160 °F', CELSIUS)).toBeNull()
    expect(siOf('warm', CELSIUS)).toBeNull()
    expect(siOf('71', undefined)).toBeNull()
  })
  it('keeps a bare number with the unit it was meant in', () => {
    expect(withUnit(' 71 ', CELSIUS)).toBe('71 °C')
    expect(withUnit('160 °F', CELSIUS)).toBe('160 °F')
  })
})

describe('clocks', () => {
  it('count by the moments, whatever passed between', () => {
    expect(lasted({ id: 'a', began: at(0) }, Date.parse(at(400)))).toBe(400)
    expect(lasted({ id: 'a', began: at(0), ended: at(17) }, Date.parse(at(900)))).toBe(17)
    expect(lasted({ id: 'a', began: at(0), pace: '10' }, Date.parse(at(6)))).toBe(60)
    expect(lasted({ id: 'a', began: at(5) }, Date.parse(at(0)))).toBe(0)
  })
  it('are read', () => {
    expect(clock(400.9)).toBe('06:40')
    expect(clock(-1)).toBe('00:00')
    expect(spoken(20)).toBe('20 s')
    expect(spoken(1200)).toBe('20 min')
  })
  it('go from step to step', () => {
    const steps = [step({ id: 'prime', least: 1, most: 15 }), step({})]
    const goes = (runs: Record['runs']) => standing(steps, { ...NONE, runs }).map((s) => [s.goes, s.done])
    expect(goes([{ id: 'a', step: 'prime', began: at(0), ended: at(14) }])).toEqual([[1, true], [0, false]])
    // A first run that was cut short, or stopped for something, is run again.
    expect(goes([{ id: 'b', step: 'first', began: at(0), ended: at(4) }])[1]).toEqual([1, false])
    expect(goes([{ id: 'b', step: 'first', began: at(0), ended: at(16), note: 'stopped: no oil pressure' }])[1]).toEqual([1, false])
    expect(goes([{ id: 'b', step: 'first', began: at(0), ended: at(16) }])[1]).toEqual([1, true])
  })
})

describe('what a reading says', () => {
  const curve = [{ at: 0, value: 288, low: 286, high: 290 }, { at: 600, value: 348, low: 340, high: 356 }]
  const coolant = made({ curve, most: 383, likely: 348, low: 340, high: 356 })
  const oil = made({ id: 'oil_warm', kind: 'pressure_gauge', likely: 80e3, low: 64e3, high: 95e3, least: 56e3, after: 5 })
  it('goes along the curve', () => {
    expect(foreseen(coolant, 300)).toEqual({ likely: 318, low: 313, high: 323 })
    expect(foreseen(coolant, 5000)?.likely).toBe(348)
    expect(foreseen(made({}), 10)).toBeNull()
  })
  it('is inside, beside, or a stop', () => {
    expect(judge(coolant, 318, 300).kind).toBe('inside')
    expect(judge(coolant, 330, 300)).toEqual({ kind: 'over', off: 7 })
    expect(judge(coolant, 300, 300)).toEqual({ kind: 'under', off: -13 })
    expect(judge(coolant, 384, 300)).toEqual({ kind: 'stop', off: 1 })
    expect(judge(oil, 50e3, 60).kind).toBe('stop')
    // Before it can be there it is no stop.
    expect(judge(oil, 0, 2).kind).toBe('under')
    expect(judge(made({ least: 12.8 }), 13, 200).kind).toBe('unknown')
  })
  it('is the newest of its run', () => {
    const readings = [{ id: '1', what: 'coolant', at: at(9), run: 'a' }, { id: '2', what: 'coolant', at: at(20), run: 'a' }, { id: '3', what: 'coolant', at: at(90), run: 'b' }]
    expect(newest(readings, 'coolant', 'a')?.id).toBe('2')
    expect(newest(readings, 'coolant', null)?.id).toBe('3')
    expect(newest(readings, 'rail', 'a')).toBeNull()
  })
})

describe('a stop that shouts', () => {
  it('by a gauge before the clock', () => {
    const said = [{ label: 'Oil pressure, idling', verdict: { kind: 'stop', off: -1 } as const }]
    expect(shout(step({}), 5, said)).toBe('Engine off: oil pressure, idling.')
    expect(shout(step({}), 21, [])).toBe('Engine off: 20 s are up.')
    expect(shout(step({ runs: false, most: 15 }), 16, [])).toBe('Let go: 15 s are up.')
    expect(shout(step({}), 19, [])).toBe('')
    expect(shout(step({ most: null }), 9999, [])).toBe('')
  })
})

describe('a hold', () => {
  const hold: Hold = { id: 'oil', label: 'Oil in', proof: '', task: '', kind: 'volume', target: 6e-3, least: 5.6e-3, most: 6.6e-3, waits: 0, caution: '', proved: false, by_order: false, signed: '', at: null, began: null, value: '', wrong: false }
  it('opens by a name, unless what was measured does not prove it', () => {
    expect(proved(hold, { id: 'oil', signed: 'K', value: '6.1 L' }, 6.1e-3)).toMatchObject({ proved: true, wrong: false, by: 'K' })
    expect(proved(hold, { id: 'oil', signed: 'K', value: '3 L' }, 3e-3)).toMatchObject({ proved: false, wrong: true })
    expect(proved(hold, undefined, null).proved).toBe(false)
    expect(proved({ ...hold, by_order: true, signed: 'both' }, undefined, null)).toMatchObject({ proved: true, by: 'both' })
  })
})

describe('the glass', () => {
  it('holds all that stands on it, the level by its place', () => {
    const to = scale({ least: null, most: 383 }, { low: 340, high: 356 }, 350)
    const places = [340, 350, 356, 383].map(to)
    expect(places).toEqual([...places].sort((a, b) => a - b))
    expect(Math.min(...places)).toBeGreaterThan(0)
    expect(Math.max(...places)).toBeLessThan(1)
    expect(to(500)).toBe(1)
  })
})
