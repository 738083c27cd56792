import { describe, expect, it } from 'vitest'
import { search, type Hit } from './find'

const hit = (label: string, where = 'Cooling · Core'): Hit => ({ label, where, station: 'cooling', hash: '#x' })

describe('find', () => {
  it('puts what begins with the words first', () => {
    const found = search([hit('Handicap'), hit('Cap', 'Cooling · Coolant'), hit('Core capacity')], 'cap')
    expect(found.map((h) => h.label)).toEqual(['Cap', 'Handicap', 'Core capacity'])
  })
  it('takes several words, of the place too', () => {
    expect(search([hit('Width'), hit('Width', 'Fuel · Line')], 'width fuel').map((h) => h.where)).toEqual(['Fuel · Line'])
  })
  it('finds nothing for nothing', () => {
    expect(search([hit('Width')], '  ')).toEqual([])
  })
})
