import { describe, expect, it } from 'vitest'
import { askedOutline, clip, fromRose, onRose, ROSE_G, withCrankcase, type Point, lies } from './logic'

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
