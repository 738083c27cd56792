import { describe, expect, it } from 'vitest'
import type { Report, Vocabulary } from '../../api/client'
import { index, search, type Hit } from './find'

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

it('finds nothing of a station that such a machine has none of', () => {
  const field = (station: string) => ({ name: 'x', label: `Of ${station}`, group: '', station })
  const words = { sections: { boat: { id: 'boat', title: 'Boat', fields: [field('boat')] }, fuel: { id: 'fuel', title: 'Fuel', fields: [field('fuel')] } } } as unknown as Vocabulary
  const report = { scope: { boat: { foreign: true }, fuel: { foreign: false } }, systems: {} } as unknown as Report
  const labels = index(words, report).map((h) => h.label)
  expect(labels).toContain('Of fuel')
  expect(labels).not.toContain('Of boat')
  expect(labels).not.toContain('Boat')
})
