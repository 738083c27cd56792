import { describe, expect, it } from 'vitest'
import { askedOutline, boxOf, clip, fromRose, lies, moved, onPage, onRose, presets, ROSE_G, rowsOf, split, withCrankcase, type Point } from './logic'

const square: Point[] = [[0, 0], [0, -1], [1, -1], [1, 0]]
const area = (points: Point[]) => Math.abs(points.reduce((sum, p, i) => {
  const q = points[(i + 1) % points.length] as Point
  return sum + (p[0] * q[1] - q[0] * p[1]) / 2
}, 0))

describe('tilting pan', () => {
  it('keeps what lies under the surface', () => {
    expect(area(clip(square, 0, 1, -0.25))).toBeCloseTo(0.75, 12)
    expect(area(clip(square, 1, 1, 0))).toBeCloseTo(0.5, 12)
    expect(clip(square, 0, 1, -2)).toEqual([])
    expect(area(clip(square, 0, 1, 9))).toBeCloseTo(1, 12)
  })
  it('carries the walls up from the rail', () => {
    expect(area(withCrankcase(square, 0.5))).toBeCloseTo(1.5, 12)
    const stepped: Point[] = [[0, 0], [0, -2], [1, -2], [1, 0], [3, 0]]
    expect(area(withCrankcase(stepped, 1))).toBeCloseTo(2 + 3, 12)
  })
})

describe('rose', () => {
  it('puts braking at the top and a left turn on the left', () => {
    expect(onRose(-ROSE_G, 0)[1]).toBeCloseTo(-1)
    expect(onRose(0, ROSE_G)[0]).toBeCloseTo(-1)
  })
  it('reads back what was put, and holds to the rim', () => {
    const back = fromRose(...onRose(-0.4, 0.7))
    expect(back.forward).toBeCloseTo(-0.4)
    expect(back.left).toBeCloseTo(0.7)
    const far = fromRose(3, 4)
    expect(Math.hypot(far.forward, far.left)).toBeCloseTo(ROSE_G)
  })
  it('asks less pulling than braking', () => {
    const points = askedOutline({ pulling: 0.3, braking: 0.9, cornering: 0.6 })
    expect(Math.max(...points.map((p) => p[1])) * ROSE_G).toBeCloseTo(0.3)
    expect(Math.min(...points.map((p) => p[1])) * ROSE_G).toBeCloseTo(-0.9)
  })
})

describe('how an engine lies', () => {
  it('is said in words, not signs', () => {
    expect(lies(0, 0, 0)).toEqual({ yaw: 'lengthwise', pitch: 'level', roll: 'upright' })
    expect(lies(90, 4, -12)).toEqual({ yaw: 'transverse', pitch: 'tilted 4° back', roll: 'tilted 12° left' })
    expect(lies(-180, -3.5, 15)).toEqual({ yaw: 'facing back', pitch: 'tilted 3.5° forward', roll: 'tilted 15° right' })
    expect(lies(30, 0, 0).yaw).toBe('turned 30°')
  })
})

describe('the pan as installed', () => {
  it('stands upright on the page, left on the left where it is seen from behind', () => {
    expect(onPage([[0.1, 0.2]], false)).toEqual([[100, -200]])
    expect(onPage([[0.1, 0.2]], true)).toEqual([[-100, -200]])
    expect(boxOf([[[0, 0], [10, 4]], [[-2, 1]]], 1)).toEqual({ left: -3, top: -1, width: 14, height: 6 })
  })
})

describe('its outline', () => {
  const corners = [[0, 0], [0, 0.14], [0.4, 0.14], [0.4, 0]]
  it('keeps the rail at the rail and no corner over it', () => {
    expect(moved(corners, 0, [0.1, 0.3])[0]).toEqual([0.1, 0])
    expect(moved(corners, 1, [-0.2, -0.3])[1]).toEqual([0, 0.005])
    expect(moved(corners, 2, [0.5, 0.2])).toEqual([[0, 0], [0, 0.14], [0.5, 0.2], [0.4, 0]])
  })
  it('takes a corner more in the middle of a side, the last one too', () => {
    expect(split(corners, 1)[2]).toEqual([0.2, 0.14])
    expect(split(corners, 3)).toHaveLength(5)
    expect(split(corners, 3)[4]).toEqual([0.2, 0])
  })
  it('is typed as a table is', () => {
    expect(rowsOf(corners).split('\n')[2]).toBe('400.0 mm, 140.0 mm')
  })
  it('begins from pans that can be', () => {
    for (const { facts } of Object.values(presets(0.5, 0.15))) {
      const f = facts as Record<string, number>
      expect((f.well_start ?? 0) + (f.well_length ?? 0)).toBeLessThan(0.5)
      expect(f.shallow_depth ?? 0).toBeLessThan(f.depth ?? 0)
    }
  })
})
