import { describe, expect, it } from 'vitest'
import type { Build, Row, Vocabulary } from '../../api/client'
import { factsApart, rowsBeside } from './logic'

const fact = (shown: string, si: number | null, evidence = 'guess') => ({ shown, si, evidence })
const build = (facts: Record<string, unknown>) => ({ facts }) as unknown as Build
const words = { sections: { engine: { id: 'engine', title: 'Engine', fields: ['rated_power', 'boost', 'bsfc'].map((name) => ({ name, label: name })) } } } as unknown as Vocabulary

describe('two builds side by side', () => {
  it('tell the facts that differ and that somebody stated', () => {
    const a = build({ 'engine.rated_power': fact('100 kW', 1e5), 'engine.boost': fact('0 kPa', 0), 'engine.bsfc': fact('270', 1, 'rule') })
    const b = build({ 'engine.rated_power': fact('134 hp', 1e5), 'engine.boost': fact('70 kPa', 7e4, 'rule'), 'engine.bsfc': fact('280', 2, 'rule') })
    expect(factsApart(a, b, words)).toEqual([{ key: 'engine.boost', label: 'Engine: boost', a: '0 kPa', b: '70 kPa (rule)' }])
  })
  it('hold row against row, and keep what only one has', () => {
    const row = (part: string, kind = 'power') => ({ system: 'fuel', part, label: part, kind, check: 'c' }) as Row
    const found = rowsBeside([row('pump'), row('line', 'load')], [row('tank'), row('pump')], (r) => r.part)
    expect(found.map((p) => [p.label, p.a, p.b])).toEqual([['pump', 'pump', 'pump'], ['line, at a load', 'line', '—'], ['tank', '—', 'tank']])
  })
})
