import { describe, expect, it } from 'vitest'
import { direct, mondays, sides, smoothed, weekends } from './river'

describe('the river', () => {
  it('joins only what follows directly', () => {
    expect(direct([['a', 'b'], ['b', 'c'], ['a', 'c']])).toEqual([['a', 'b'], ['b', 'c']])
    expect(direct([['a', 'b'], ['a', 'c'], ['b', 'd'], ['c', 'd']])).toHaveLength(4)
  })
  it('marks Mondays', () => {
    // The 29th of November 2026 is a Sunday.
    expect(mondays('2026-11-29', 24 * 14).map((m) => m.day)).toEqual(['2026-11-30', '2026-12-07'])
    expect(mondays('2026-11-30', 24).map((m) => m.at)).toEqual([0])
  })
  it('marks at most a handful', () => {
    expect(mondays('2026-11-29', 24 * 365).length).toBeLessThanOrEqual(8)
  })
  it('shades weekends, one begun too', () => {
    expect(weekends('2026-11-29', 24 * 8)).toEqual([[0, 24], [144, 192]])
    expect(weekends('2026-12-02', 24 * 4)).toEqual([[72, 96]])
  })
  it('puts labels on the side where there is room, or leaves them out', () => {
    const label = (at: number) => ({ at, width: 40, lane: 0 })
    expect(sides([label(0), label(20), label(40), label(90)], [])).toEqual([1, -1, 0, 1])
    expect(sides([label(0), label(10)], [label(5)])).toEqual([1, 0])
    expect(sides([label(0), { ...label(0), lane: 1 }], [])).toEqual([1, 1])
  })
  it('smooths without losing weight inside', () => {
    const found = smoothed([0, 0, 0, 7, 0, 0, 0])
    expect(found.every((v) => v === 1)).toBe(true)
  })
})
