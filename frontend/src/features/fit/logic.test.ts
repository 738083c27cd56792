import { describe, expect, it } from 'vitest'
import { dragged, keyed, moveWords, outline, planeOf, plus, seen, STILL, still, type Gap, type Outline } from './logic'

const show = (si: number, kind: string) => (kind === 'size' ? `${Math.round(1000 * si)} mm` : `${Math.round((1800 * si) / Math.PI) / 10}°`)

describe('fit', () => {
  it('draws forward to the left and up to the top', () => {
    expect(seen('side', [1, 0.5, 2])).toEqual([-1000, -2000])
    expect(seen('front', [1, 0.5, 2])).toEqual([500, -2000])
    expect(seen('plan', [1, 0.5, 2])).toEqual([-1000, 500])
    const thing = { side: [[1, 2]], front: [[0.5, 2]], plan: [[1, 0.5]] } as unknown as Outline
    for (const plane of ['side', 'front', 'plan'] as const) expect(outline(plane, thing)[0]).toEqual(seen(plane, [1, 0.5, 2]))
  })
  it('moves the engine with the hand', () => {
    for (const plane of ['side', 'front', 'plan'] as const) {
      const by = plus(STILL, dragged(plane, 12, -7))
      const [x, y] = seen(plane, [by.ahead, by.left, by.up])
      expect([x, y].map(Math.round)).toEqual([12, -7])
    }
  })
  it('takes arrow keys by a millimetre, with shift by ten, and tilts', () => {
    expect(keyed('side', 'ArrowUp', false)?.up).toBeCloseTo(0.001)
    expect(keyed('front', 'ArrowRight', true)?.left).toBeCloseTo(0.01)
    expect(keyed('side', '[', true)?.pitch).toBeCloseTo(Math.PI / 180)
    expect(keyed('front', ']', false)?.roll).toBeCloseTo(-Math.PI / 1800)
    expect(keyed('plan', '[', false)?.yaw).toBeCloseTo(Math.PI / 1800)
    expect(keyed('side', 'a', false)).toBeNull()
  })
  it('says a move in words', () => {
    expect(moveWords({ ...STILL, ahead: -0.01, up: 0.004 }, show)).toBe('10 mm back, 4 mm up')
    expect(moveWords(STILL, show)).toBe('')
    expect(still(plus(plus(STILL, { up: 0.001 }), { up: -0.001 }))).toBe(true)
  })
  it('looks at a gap from where it is seen longest', () => {
    const gap = (at: number[], other: number[]) => ({ at, other }) as unknown as Gap
    expect(planeOf(gap([0, 0, 0], [0.1, 0, 0.2]))).toBe('side')
    expect(planeOf(gap([0, 0, 0], [0, 0.3, 0.1]))).toBe('front')
    expect(planeOf(gap([0, 0, 0], [0.2, 0.3, 0]))).toBe('plan')
  })
})
