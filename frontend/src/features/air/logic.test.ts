import { describe, expect, it } from 'vitest'
import { bars, tallest, whole, type WaterView } from './logic'

const place = (id: string, takes: number | null, service = takes) => ({ id, name: id, bore: null, speed: null, takes, service })

describe('way in', () => {
  it('fills the width with what is known', () => {
    const found = bars([place('snorkel', 300), place('filter', 200, 600), place('pipe', null)], 450)
    expect(found.map((b) => b.id)).toEqual(['snorkel', 'filter'])
    expect(found.at(-1)?.service).toBeCloseTo(450)
    expect(found[1]).toMatchObject({ from: 150, to: 250 })
  })
  it('is as long as its pieces together, at service, a throttle with them', () =>
    expect(whole([place('filter', 200, 600), place('pipe', 1800), place('throttle', 1700), place('meter', null)])).toBe(4100))
  it('draws nothing of nothing', () => expect(bars([place('pipe', null)], 450)).toEqual([]))
})

describe('water', () => {
  it('shows the highest thing', () => {
    const view = { depth: 0.5, wave: 0.1, dry: [{ id: 'inlet', name: 'Inlet', height: 1, spare: 0.15 }] } as unknown as WaterView
    expect(tallest(view)).toBeCloseTo(1.15)
  })
})
