import { expect, it } from 'vitest'
import { swing } from './swing'

it('draws a turn in its box, and small what is little', () => {
  const found = swing([1, 1.01, 1, 0.99, 1], 100, 50, 0.002)
  expect(found.most).toBeCloseTo(0.01)
  expect(found.path).toBe('M0.0 25.0L25.0 4.0L50.0 25.0L75.0 46.0L100.0 25.0')
  expect(swing([1, 1.01, 1], 100, 50, 0.02).path).toBe('M0.0 25.0L50.0 14.5L100.0 25.0')
})
