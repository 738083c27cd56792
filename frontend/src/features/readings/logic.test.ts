import { describe, expect, it } from 'vitest'
import { asEdits, columnsText, ends, entry, far, headline, kindOf, off, points, recipeOf, share, spell, type Readings } from './logic'
import { more } from '../../ui/more'

const band = (likely: number) => ({ likely, low: likely - 0.1, high: likely + 0.1 })
const found = (more: Partial<Readings>): Readings => ({ taken: [], counted: 0, useful: [], shift: null, ...more }) as Readings
const shift = { system: 'cooling', check: 'heat', name: 'Heat', duty: 'Long grade', before: band(0.9), after: band(1.12), holds_before: 0.8, holds_after: 0.1 }

describe('the headline of readings', () => {
  it('says what to read first where nothing was', () => {
    expect(headline(found({ useful: [{ what: 'oil', duty: '', sentence: 'Oil temperature, standing, idling: 7 % of that doubt goes.', falls: 0.07 }] })).strong).toBe('Best first: oil temperature, standing, idling.')
    expect(headline(found({})).lead).toBe('Nothing was read of it yet.')
  })
  it('says the verdict before and after, and marks what is over', () => {
    const said = headline(found({ taken: [{}] as never, counted: 1, shift }), { cooling: 'Cooling' })
    expect(said.lead).toBe('Cooling, heat, long grade: 90\u00a0% full by the facts alone,')
    expect(said.strong).toBe('112\u00a0% by 1 reading.')
    expect(said.over).toBe(true)
    expect(headline(found({ taken: [{}, {}] as never, counted: 2, shift: { ...shift, after: band(0.8) } })).strong).toBe('80\u00a0% by 2 readings.')
  })
  it('does not claim what was not fitted', () => {
    expect(headline(found({ taken: [{}] as never })).lead).toContain('Nothing that was read can be held')
    expect(headline(found({ taken: [{}] as never, counted: 3 })).lead).toBe('3 readings fitted; no verdict moves with them.')
  })
})

describe('a glass of readings', () => {
  it('holds all of its numbers with room beside them', () => {
    const [low, high] = ends([360, null, 380, undefined, NaN])
    expect(low).toBeLessThan(360)
    expect(high).toBeGreaterThan(380)
    expect(share(360, [low, high])).toBeGreaterThan(0)
    expect(share(500, [low, high])).toBe(1)
    expect(ends([])).toEqual([0, 1])
    expect(ends([370, 370])[1]).toBeGreaterThan(370)
  })
})

describe('factors as one says them', () => {
  it('is more, less, or as foretold', () => {
    expect([more(1.12), more(0.8), more(1.004)]).toEqual(['12\u00a0% more', '20\u00a0% less', 'as foretold'])
  })
  it('is off by a half-range of 95 in 100', () => {
    expect(off(0.05)).toBe(10) // e^(1.96 x 0.05)
    expect(off(0)).toBe(1)
  })
})

describe('what is sent and read', () => {
  it('leaves out what is empty', () => {
    expect(entry('taken', 'a', { value: '90 °C', half: '', duty: null, at: undefined }).map((e) => [e.path, e.text])).toEqual([['readings.taken.a.value', '90 °C']])
  })
  it('keeps what the server offers: removals and evidence too', () => {
    const edits = asEdits([{ path: 'readings.factors.heat', text: null, action: 'remove', evidence: null }, { path: 'duties.drive_1.ambient', text: '20 °C', action: 'set', evidence: 'similar' }])
    expect(edits.map((e) => [e.action, e.evidence])).toEqual([['remove', null], ['set', 'similar']])
  })
  it('writes columns as the server reads them, and finds a recipe by its heads', () => {
    expect(columnsText([{ head: 'ECT', example: '', channel: 'coolant', unit: 'F' }, { head: 'X', example: '', channel: '', unit: '' }])).toBe('coolant in F; -')
    const recipes = [{ id: 'a', heads: 'ECT;X', columns: 'coolant in F; -' }]
    expect(recipeOf(recipes, 'ECT;X')?.id).toBe('a')
    expect(recipeOf(recipes, 'ECT')).toBeUndefined()
  })
  it('knows a track by its name', () => {
    expect([kindOf('Pass.GPX'), kindOf('log.csv'), kindOf('log')]).toEqual(['gpx', 'csv', 'csv'])
  })
})

describe('time and way', () => {
  it('is spelt as a clock', () => {
    expect([spell(65), spell(3725), spell(-3)]).toEqual(['1:05', '1:02:05', '0:00'])
    expect([far(40_740, false), far(1609.344, true)]).toEqual(['40.7\u00a0km', '1.0\u00a0mi'])
  })
  it('leaves out of a plot what is not known', () => {
    expect(points([0, 60, 120], [1, null, 3], (si) => 10 * si)).toEqual([[0, 10], [2, 30]])
  })
})
