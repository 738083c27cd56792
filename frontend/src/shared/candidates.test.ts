import { describe, expect, it } from 'vitest'
import type { CandidateColumn } from '../api/client'
import { bestOf, nextId } from './candidates'

const column = (heat: number | null) => ({ figures: { heat } }) as unknown as CandidateColumn
const figure = { figure: 'heat', label: 'Carries', kind: 'heat', more: true }

describe('candidates', () => {
  it('take the first letter not in use', () => {
    expect([nextId([]), nextId(['a', 'c']), nextId(['b'])]).toEqual(['a', 'b', 'a'])
  })
  it('are best by the most or the least, as the figure goes', () => {
    const columns = [column(40), column(52), column(null), column(31)]
    expect(bestOf(columns, figure)).toEqual([1])
    expect(bestOf(columns, { ...figure, more: false })).toEqual([3])
  })
  it('are not told apart where all are alike, or one alone is known', () => {
    expect(bestOf([column(40), column(40.001)], figure)).toEqual([])
    expect(bestOf([column(40), column(null)], figure)).toEqual([])
  })
})
