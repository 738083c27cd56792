import { describe, expect, it } from 'vitest'
import { chargeSaid, coldSaid, fault, lasts, most, offSaid, ohmAt, OPEN, pinSaid, resting, running, signalsSaid, stepOf, wiresSaid, type ColdView, type LoadsView, type SignalsView, type WiresView } from './logic'

const show = (v: number, kind: string) => `${v} ${kind}`
const state = (id: string, draws: number, gives: number | null) => ({ id, name: id, draws, gives, battery: Math.max(draws - (gives ?? 0), 0), lasts: null })
const view = { states: [state('key', 9, null), state('stopped', 0, null), state('idle_night', 100, 70), state('cruise_night', 80, 94)], idled: 36000, idles_for: 1200 } as unknown as LoadsView

describe('draws', () => {
  it('parts states that are charged from those that only draw', () => {
    expect(running(view).map((s) => s.id)).toEqual(['idle_night', 'cruise_night'])
    expect(resting(view).map((s) => s.id)).toEqual(['key'])
    expect(most(view)).toBeCloseTo(108)
  })
  it('says a flat battery before a costly idle', () => {
    expect(chargeSaid(view, show)).toContain('idling on a wet night costs 36000 charge in 20 min')
    const flat = { ...view, states: [...view.states.slice(0, 3), state('cruise_night', 120, 94)] } as LoadsView
    expect(chargeSaid(flat, show)).toContain('does not keep its charge')
    const sound = { ...view, states: [state('idle_night', 60, 70), state('cruise_night', 80, 94)] } as LoadsView
    expect(chargeSaid(sound, show)).toContain('too.')
  })
  it('says how long in minutes, hours or days', () => {
    expect([lasts(600), lasts(7200), lasts(86400 * 40)]).toEqual(['10 min', '2 h', '40 days'])
  })
})

describe('cold start', () => {
  const cold = { trials: [{ picked: 140 }], temperature: 253, needs: 130, resets: 7.5, pin: 8 } as unknown as ColdView
  it('says too slow, then too few volts', () => {
    expect(coldSaid(cold, show)).toContain('it starts from 130')
    expect(coldSaid({ ...cold, needs: 150 }, show)).toContain('too slow')
    expect(coldSaid({ ...cold, pin: 7 }, show)).toContain('is left 7')
    expect(coldSaid({ ...cold, resets: null, pin: 7 }, show)).not.toContain('is left')
    expect(coldSaid({ ...cold, trials: [{ name: '', speeds: [], picked: 0 }] }, show)).toContain('does not turn')
  })
})

describe('wires', () => {
  const run = { name: 'Fan', fuse: 40, low: 33, bears: 50, drop: 0.3, allowed: 0.4, holds: true }
  type Run = WiresView['runs'][number]
  it('names the worst: a fuse above its wire before all else', () => {
    expect(fault({ ...run, fuse: 60 } as Run)).toBe('fuse above its wire')
    expect(fault({ ...run, fuse: 30 } as Run)).toBe('fuse too small for good')
    expect(fault({ ...run, fuse: null, bears: 20 } as Run)).toBe('wire too thin for its amps')
    expect(fault({ ...run, drop: 0.6 } as Run)).toBe('loses too much')
    expect(wiresSaid({ runs: [{ ...run, drop: 0.6, holds: false }, { ...run, name: 'Pump', fuse: 60, holds: false }] } as WiresView)).toContain('Pump: the fuse is above')
    expect(wiresSaid({ runs: [run, run] } as WiresView)).toBe('All 2 runs hold.')
  })
})

describe('signals', () => {
  const row = (label: string, stands: string) => ({ id: label, label, stands, missing: 'no spark' })
  const made = (start: ReturnType<typeof row>[], more: Partial<SignalsView> = {}) => ({ groups: [{ id: 'start', rows: start, open: 1 }, { id: 'lamp', rows: [], open: 0 }], does: [{ id: 'fires', surely: true }, { id: 'runs', surely: true }], pins: 3, stand: false, forbidden: [], conflicts: [], ...more }) as unknown as SignalsView
  it('says what may never be first, then what stops it', () => {
    expect(signalsSaid(made([row('crank position', 'lost')], { forbidden: [['brake', 'a life hangs on it']] }))).toContain('brake may not be made up')
    expect(signalsSaid(made([row('crank position', 'lost'), row('key', 'lost')]))).toBe('It does not start: the crank position is missing, and 1 more.')
    expect(signalsSaid(made([row('key', 'none')], { pins: 0 }))).toContain('Nothing is listed')
    expect(signalsSaid(made([row('key', 'there')], { stand: true }))).toBe('It starts on the stand and runs as it should.')
    expect(signalsSaid(made([row('key', 'open')], { does: [{ id: 'fires', surely: false }] as never }))).toContain('It may start')
  })
  it('writes a pin as on its label', () => {
    expect(pinSaid({ plug: 'A', pin: '12', colour: 'brown', says: '' })).toBe('A 12, brown')
  })
})

describe('senders', () => {
  it('says high or low', () => {
    expect([offSaid(3, '3 K'), offSaid(-3, '3 K'), offSaid(0, '0 K')]).toEqual(['3 K high', '3 K low', 'true'])
  })
  it('steps through ohms, none at one end and open at the other', () => {
    expect(ohmAt(0)).toBe(0)
    expect(ohmAt(OPEN)).toBe(1e7)
    for (const ohm of [10, 68, 680, 4700]) expect(Math.abs(ohmAt(stepOf(ohm)) / ohm - 1)).toBeLessThan(0.06)
    expect([stepOf(null), stepOf(0)]).toEqual([OPEN, 0])
  })
})
