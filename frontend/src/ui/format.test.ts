import { describe, expect, it } from 'vitest'
import { digits, inUnit, percent, show } from './format'

const power = { unit: 'hp', symbol: 'hp', factor: 745.7, offset: 0, digits: 3, decimals: 1 }
const celsius = { unit: 'C', symbol: '°C', factor: 1, offset: 273.15, digits: 3, decimals: 0 }

describe('format', () => {
  it('prints at most the digits and decimals of the kind', () => {
    expect(digits(71.23, power)).toBe('71.2')
    expect(digits(265, power)).toBe('265')
    expect(digits(0, power)).toBe('0')
    expect(digits(Number.NaN, power)).toBe('—')
  })
  it('converts with factor and offset: 1 hp is 745.7 W, 100 °C is 373.15 K', () => {
    expect(inUnit(74570, power)).toBeCloseTo(100, 9)
    expect(show(373.15, celsius)).toBe('100\u00a0°C')
  })
  it('does not pretend beyond the clamp', () => {
    expect(percent(1.19)).toBe('119\u00a0%')
    expect(percent(9.99)).toBe('over 999\u00a0%')
    expect(percent(null)).toBe('—')
  })
})
