import { describe, expect, it } from 'vitest'
import { layers } from './logic'

describe('depth stack', () => {
  it('adds up to the room there is', () => {
    const found = layers(0.122, 0.026, 0.068)
    expect(found.map((l) => l.kind)).toEqual(['core', 'gap', 'fan', 'left'])
    expect(found.reduce((sum, l) => sum + l.depth, 0)).toBeCloseTo(0.122, 12)
  })
  it('says by how much it is too deep', () => {
    const last = layers(0.06, 0.056, 0.06).at(-1)
    expect(last?.kind).toBe('over')
    expect(last?.depth).toBeCloseTo(0.066, 12)
  })
})
