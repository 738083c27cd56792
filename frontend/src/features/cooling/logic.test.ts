import { describe, expect, it } from 'vitest'
import { boxes, fanPlaces, minutes, type Stack } from './logic'

const layer = (kind: 'core' | 'gap' | 'fan' | 'cooler', depth: number, height: number | null = null) => ({ id: kind, name: kind, kind, depth, width: null, height, count: 1 })
const stack = (room: number | null, ...layers: ReturnType<typeof layer>[]): Stack => ({
  layers, room, left: null, keep: 0.025, on_engine: false, opening: { width: null, height: null }, foot: null, filler: null, necks: [], run: [], crossings: [],
})

describe('the stack to scale', () => {
  it('fills the width with the room where the stack is shallower', () => {
    const found = boxes(stack(0.2, layer('core', 0.04, 0.4), layer('gap', 0.01), layer('fan', 0.05, 0.3)), 1000, 4000)
    expect(found.wall).toBeCloseTo(1000, 9)
    expect(found.end).toBeCloseTo(500, 9)
    expect(found.boxes.map((b) => b.width)).toEqual([200, 50, 250].map((v) => expect.closeTo(v, 9)))
    // One scale both ways: 5 px to a millimetre.
    expect([found.boxes[0]?.tall, found.boxes[2]?.tall]).toEqual([expect.closeTo(2000, 9), expect.closeTo(1500, 9)])
  })
  it('fills it with the stack where that is deeper, the wall inside', () => {
    const found = boxes(stack(0.05, layer('core', 0.1)), 1000, 9000)
    expect(found.end).toBeCloseTo(1000, 9)
    expect(found.wall).toBeCloseTo(500, 9)
  })
})

describe('fans on a face', () => {
  it('stand side by side the longer way', () => {
    expect(fanPlaces(2, 0.6, 0.4)).toEqual([[-0.15, 0], [0.15, 0]])
    expect(fanPlaces(2, 0.3, 0.6)).toEqual([[0, -0.15], [0, 0.15]])
    expect(fanPlaces(1, 0.6, 0.4)).toEqual([[0, 0]])
  })
})

describe('times', () => {
  it('are said in seconds, minutes and hours', () => {
    expect([45, 89.6, 130, 240, 3900].map(minutes)).toEqual(['45 s', '1 min 30 s', '2 min 10 s', '4 min', '1 h 5 min'])
  })
})
