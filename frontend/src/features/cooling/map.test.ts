import { describe, expect, it } from 'vitest'
import type { HeatMap } from '../../api/client'
import { linePath, overPath, place, whole } from './map'

const map: HeatMap = {
  missing: '', kind: 'ambient_speed', over_above: true, all_over: [false, false, true], weak_from: null,
  x: { label: 'Road speed', kind: 'speed', values: [0, 10, 20] }, y: { label: 'Air outside', kind: 'temperature', values: [260, 300, 340] },
  lines: [{ fill: 1, y: [null, 300, null] }],
}
const frame = { width: 100, height: 80 }

describe('a map of heat', () => {
  it('is drawn when it came whole', () => {
    expect([whole(map), whole({ ...map, missing: 'cooling.core.width' }), whole(null)]).toEqual([true, false, false])
  })
  it('puts points in its frame, y upwards', () => {
    if (!whole(map)) throw new Error('not whole')
    expect(place(map, frame, 10, 320)).toEqual([50, 20])
  })
  it('breaks a line where its fill is not met', () => {
    if (!whole(map)) throw new Error('not whole')
    expect(linePath(map, frame, [300, null, 320])).toBe('M0.0 40.0M100.0 20.0')
  })
  it('shades above the limit, all of a column that is over throughout, none of one that holds', () => {
    if (!whole(map)) throw new Error('not whole')
    expect(overPath(map, frame)).toBe('M0.0 0.0L50.0 40.0L100.0 80.0L100.0 0.0L50.0 0.0L0.0 0.0Z')
  })
})
