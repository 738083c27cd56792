import { describe, expect, it } from 'vitest'
import { arrow, frame, outline, seen, together, type Loads, type Mount } from './logic'

describe('the unit on its mounts, as it is seen', () => {
  it('has its front to the left and what is over higher up the page', () => {
    expect(seen('side', [0.4, 0.25, 0.1])).toEqual([-400, -100])
    expect(seen('end', [0.4, 0.25, 0.1])).toEqual([-250, -100])
    expect(outline([[0.1, 0.2]])).toEqual([[-100, -200]])
  })
  it('draws a load by its share of the greatest, upward where it is pulled', () => {
    expect(arrow(500, 1000, 120)).toBe(60)
    expect(arrow(-250, 1000, 120)).toBe(-30)
    expect(arrow(3, 0, 120)).toBe(0)
  })
  it('takes mounts behind one another as one, by what they carry together', () => {
    const pair = [{ id: 'l', at: [0.4, 0.25, 0], load: 2000 }, { id: 'r', at: [0.4, -0.25, 0], load: -300 }] as unknown as Mount[]
    expect(together('side', pair)).toEqual([{ at: [-400, -0], load: 1700, ids: ['l', 'r'] }])
    expect(together('end', pair).map((g) => g.load)).toEqual([2000, -300])
  })
  it('holds all that is drawn', () => {
    const square: [number, number][] = [[-0.5, -0.2], [0.5, -0.2], [0.5, 0.3], [-0.5, 0.3]]
    const data = { side: square, side_moved: square, end: square, end_moved: square, mounts: [{ at: [0.9, 0.3, -0.1] }], axis: [0, 0, 0] } as unknown as Loads
    const box = frame('side', data, 100)
    expect(box.left).toBe(-990)
    expect(box.left + box.width).toBe(590)
    expect(box.top + box.height).toBe(350)
  })
})
