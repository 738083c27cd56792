import { describe, expect, it } from 'vitest'
import type { ComparedPart } from '../api/client'
import { bestOf } from './best'

const column = (heat: number | null) => ({ figures: { heat } }) as unknown as ComparedPart
const figure = { figure: 'heat', label: 'Carries', kind: 'heat', more: true }

describe('parts side by side', () => {
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
