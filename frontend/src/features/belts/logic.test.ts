import { describe, expect, it } from 'vitest'
import { frame, gripSaid, keyed, path, presetRows, ruler, verdict, type Presets, type Route } from './logic'

const pulley = (what: string, right: number, up: number, more = {}) => ({ id: what, name: what, what, right, up, radius: 0.05, inside: true, wrap: 3, margin: 4, speeds: [800, 3000, 6000], most: 9000, hub: 300, takes: 500, ...more })
const view = {
  why: '', pulleys: [pulley('crank', 0, 0), pulley('alternator', -0.2, 0.3)], slips: ['crank', 800, 4], keeps: 1.2,
  bought: { now: 1.53, low: 1.52, high: 1.54, sold: [1.52, 1.525, 1.53, 1.535, 1.54], around: [1.5, 1.51, 1.52, 1.53, 1.54, 1.55], owned: null },
} as unknown as Route
const show = (v: number, kind: string) => `${Number(v.toPrecision(4))} ${kind}`

describe('the belt from the front', () => {
  it('has every pulley in its frame', () => {
    const f = frame(view)
    expect(f.left).toBeLessThan(-0.25)
    expect(f.left + f.width).toBeGreaterThan(0.05)
    expect(f.top).toBeLessThan(-0.35)
    expect(f.top + f.height).toBeGreaterThan(0.05)
  })
  it('is drawn down the page and closed', () => {
    expect(path([[0, 1], [2, 0.5]])).toBe('M0.0000 -1.0000L2.0000 -0.5000Z')
    expect(path([])).toBe('')
  })
  it('is moved by arrows, fast with shift', () => {
    expect(keyed('ArrowUp', false)).toEqual([0, 0.001])
    expect(keyed('ArrowLeft', true)).toEqual([-0.01, 0])
    expect(keyed('a', false)).toBeNull()
  })
})

describe('what is said of it', () => {
  it('says first what cannot be, then what slips, turns too fast, does not serve', () => {
    expect(verdict({ ...view, why: 'No belt can pass' }, show)).toBe('No belt can pass.')
    expect(verdict({ ...view, slips: ['crank', 800, 1.1] } as Route, show)).toContain('slips')
    expect(verdict({ ...view, pulleys: [view.pulleys[0], pulley('alternator', 0, 1, { most: 5000 })] } as Route, show)).toContain('may turn 5000')
    expect(verdict({ ...view, bought: { ...view.bought, owned: 1.6 } } as Route, show)).toContain('does not serve: buy 1.53')
    expect(verdict(view, show)).toContain('It holds; buy 1.53')
    expect(verdict({ ...view, bought: { ...view.bought, owned: 1.53 } } as Route, show)).toContain('there serves')
  })
  it('says grip only as finely as it matters', () => {
    expect(gripSaid(2.34)).toBe('2.3 times')
    expect(gripSaid(99)).toBe('over 9 times')
  })
})

describe('lengths and layouts', () => {
  it('puts lengths along a ruler', () => {
    if (!view.bought) throw new Error('a belt is there')
    const r = ruler(view.bought)
    expect(r.at(1.5)).toBe(0)
    expect(r.at(1.55)).toBeCloseTo(1)
  })
  it('writes a layout as a list of pulleys, the crank without a place', () => {
    const preset = { pulleys: [{ what: 'crank', right: 0, up: 0, diameter: 0.14, side: 'grooved', pivot_right: null, pivot_up: null }, { what: 'tensioner', right: -0.1, up: 0.09, diameter: 0.076, side: 'back', pivot_right: -0.147, pivot_up: 0.167 }] } as unknown as Presets['presets'][number]
    expect(presetRows(preset).split('\n')).toEqual(['what,right,up,diameter,side,pivot_right,pivot_up', 'crank,,,140 mm,grooved,,', 'tensioner,-100 mm,90 mm,76 mm,back,-147 mm,167 mm'])
  })
})
