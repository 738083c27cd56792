import { describe, expect, it } from 'vitest'
import type { Build, Edit } from '../api/client'
import { changedElsewhere } from './elsewhere'

const fact = (text: string, evidence: Build['facts'][string]['evidence'] = 'guess') => ({ path: '', text, shown: text, si: null, evidence, note: '', source: '', date: '', half: '', claims: [] })
const own = (path: string): Edit => ({ path, text: 'x', evidence: null, tolerance: null, action: 'set', index: 0, source: null, date: null })

describe('what others changed', () => {
  it('is what differs in stated facts that this window did not touch', () => {
    const before = { facts: { a: fact('1'), b: fact('2'), c: fact('', 'rule'), d: fact('4'), e: fact('5') } }
    const after = { facts: { a: fact('1'), b: fact('3'), c: { ...fact('', 'rule'), shown: '9' }, e: fact('5', 'taped'), f: fact('6') } }
    expect(changedElsewhere(before, after, [])).toEqual(['b', 'd', 'e', 'f'])
    expect(changedElsewhere(before, after, [own('b'), own('f')])).toEqual(['d', 'e'])
  })
})
