import { expect, it } from 'vitest'
import { regions, type Window } from './window'

const map = (binds: number[][]): Window => ({
  ahead: (binds[0] ?? []).map((_, i) => i), up: binds.map((_, i) => i), slack: binds.map((row) => row.map(() => 0)), binds, pairs: ['Cover and bonnet', 'Pan and crossmember', 'Never'], share: 0,
})

it('names each region within itself, forward to the left and up above', () => {
  const found = regions(map([[1, 1, 1, 1], [0, 0, 0, 0]]), 400, 200)
  const names = Object.fromEntries(found.map((r) => [r.name, r]))
  expect(names['Cover and bonnet']?.y).toBeLessThan(100)
  expect(names['Pan and crossmember']?.y).toBeGreaterThan(100)
  expect(names['Never']).toBeUndefined()
  expect(found[0]?.edge).toContain('h100')
})
