import { describe, expect, it } from 'vitest'
import { clutchSaid, knobBox, shifterSaid, steeringSaid, throttleBad, throttleSaid, times, toeAt, vacuumSaid, type ClutchView, type ShifterView, type SteeringView, type ThrottleView, type VacuumView } from './logic'

const say = (v: number, kind: string) => `${v} ${kind}`
const throttle = (own: Partial<ThrottleView>) => ({ by: 'cable', opened: 1.2, whole: 1.5, left: -0.01, wheel: 0.03, right: 0.025, pedal: [], ways: [], spring: null, drags: null, springs: null, rocks: null, slack: 0.002, sweep: null, wants: null, cable: null, cable_way: null, ...own }) as ThrottleView
const vacuum = (own: Partial<VacuumView>) => ({ why: '', rows: [], depths: [], least: 35e3, wished: 3, height: 2000, each: 0.001, volume: 0.006, bleeds: [], split: '', helped: 'vacuum', ...own }) as VacuumView

describe('throttle', () => {
  it('says how far it opens, and which wheel would be right', () => {
    expect(throttleSaid(throttle({}), say)).toBe('The pedal opens it 1.2 angle of 1.5 angle: a wheel of 0.025 size would be right.')
    expect(throttleSaid(throttle({ left: 0.003 }), say)).toContain('fully')
    expect(throttleSaid(throttle({ cable: 0.5, cable_way: 0.75 }), say)).toContain('0.25 size too short')
    expect(throttleSaid(throttle({ by: 'pedal' }), say)).toContain('both tracks')
  })
  it('is bad where it does not open, does not surely shut, or is pulled by the rock', () => {
    expect([{}, { left: 0.003 }, { left: 0.003, springs: 1 }, { left: 0.003, rocks: 0.005 }].map((o) => throttleBad(throttle(o)))).toEqual([true, false, true, true])
  })
})

describe('brakes', () => {
  it('counts whole applications', () => {
    expect([times(3.9), times(2.9999999999)]).toEqual(['3', '3'])
    const row = { name: 'As stated', depth: 65e3, sea: 3.7, high: 1.2, more: 5, recovers: 1, stated: true }
    expect(vacuumSaid(vacuum({ rows: [row] }), say)).toBe('3 whole applications with the engine dead, 1 at 2000 distance; 3 are kept.')
  })
  it('says why there is none', () => {
    expect(vacuumSaid(vacuum({ why: 'Nothing makes vacuum' }), say)).toBe('Nothing makes vacuum.')
    expect(vacuumSaid(vacuum({ helped: 'none' }), say)).toContain('not helped')
    expect(vacuumSaid(vacuum({}), say)).toContain('not stated')
  })
})

describe('clutch, shifter, steering', () => {
  it('says way and weight', () => {
    expect(clutchSaid({ moves: 0.012, asked: 0.0125, pad: 180 } as ClutchView, say)).toBe('The pedal moves the bearing 0.012 size of 0.0125 size asked, with 180 force at the pad.')
    expect(clutchSaid({ moves: null } as ClutchView, say)).toContain('not stated')
  })
  it('names the gear with the least room', () => {
    const gear = (name: string, room: number) => ({ gear: name, ahead: 0.05, right: 0.04, room, against: 'ahead' })
    const view = { throw: 0.05, gears: [gear('1', 0.01), gear('2', 0.1)], off_behind: -0.04, left: 0.5, right: null, ahead: null, behind: null } as unknown as ShifterView
    expect(shifterSaid(view, say)).toBe('The knob goes 0.05 size from neutral; least room in 1, 0.01 size to what is ahead. The gearbox puts it 0.04 size too far forward.')
    expect(shifterSaid({ ...view, gears: [gear('3', -0.01)] } as ShifterView, say)).toContain('in 3 it meets what is ahead')
    expect(knobBox(view)).toEqual({ wide: 0.3, high: 0.1 })
  })
  it('tells the toe within the bump stated', () => {
    const view = { ripple: null, bends: [], toe: [0.03, 0.01, 0, 0.01, 0.04], travel: [-0.06, -0.03, 0, 0.03, 0.06], bump: 0.03 } as unknown as SteeringView
    expect(toeAt(view)).toBe(0.01)
    expect(steeringSaid(view, say)).toBe('A bump of 0.03 size steers a wheel 0.01 angle.')
  })
})
