import { describe, expect, it } from 'vitest'
import { backPath, feedPath, lasting, layout, overPath, words, type Circuit, type Part } from './logic'

const part = (id: string, more: Partial<Part> = {}): Part => ({ id, label: id, path: `fuel.${id}`, fill: null, flow: 1, ...more })
const base: Circuit = { rail_kind: 'returned', lift_kind: 'none', presets: [], unknown: [], parts: [], limits: null, flows: null }
const returned: Circuit = { ...base, parts: ['tank', 'suction', 'pump', 'filter', 'line', 'end', 'regulator', 'return', 'injectors'].map((id) => part(id)) }
const show = (si: number | null | undefined, kind: string) => `${si ?? '—'} ${kind}`

describe('layout', () => {
  const ids = (circuit: Circuit) => layout(circuit).rows.map((row) => row.map((p) => p.part.id))
  it('writes the feed in rows of three, the return under them', () => {
    const found = layout(returned)
    expect(ids(returned)).toEqual([['suction', 'pump', 'filter'], ['line', 'end']])
    expect(found.back.map((p) => p.part.id)).toEqual(['return', 'regulator'])
    expect(found.back[0]?.y).toBeGreaterThan(found.rows[1]?.[0]?.y ?? 0)
    expect(found.injectors?.x).toBe(found.rows[1]?.[1]?.x)
  })
  it('puts a regulator at the tank into the feed', () => {
    const dead = { ...returned, rail_kind: 'dead_headed' }
    expect(ids(dead)[1]).toContain('line')
    expect(ids(dead).flat()).toContain('regulator')
    expect(layout(dead).back.map((p) => p.part.id)).toEqual(['return'])
    expect(backPath(layout(dead), true)).toContain('H46')
  })
  it('starts a row behind a lift pump with the pot, and returns into it', () => {
    const all = ['tank', 'suction', 'lift', 'lift_line', 'pot', 'pot_hose', 'pump', 'filter', 'line', 'end', 'regulator', 'return']
    const pot = { ...base, lift_kind: 'pot', parts: all.map((id) => part(id, id === 'return' ? { to: 'pot' } : {})) }
    expect(ids(pot)).toEqual([['suction', 'lift', 'lift_line'], ['pot', 'pot_hose', 'pump'], ['filter', 'line', 'end']])
    expect(backPath(layout(pot), false)).not.toContain('H46')
    expect(overPath(layout(pot))).toContain('H64')
  })
  it('draws one line from the tank to the engine', () => {
    expect(feedPath(layout(returned))).toMatch(/^M84 62H490V142H92V188H298$/)
  })
})

describe('words of a part', () => {
  it('says volts only where there are any', () => {
    expect(words(part('pump', { gain: 3e5 }), show)).toHaveLength(2)
    expect(words(part('pump', { gain: 3e5, volts: 13.5, amps: 8 }), show)).toHaveLength(3)
  })
  it('says how far injectors open', () => {
    expect(words(part('injectors', { share: 0.614, ceiling: 0.85 }), show)).toEqual(['open 61 % of 85 %'])
  })
})

describe('how long a tank lasts', () => {
  it('goes from minutes to days', () => {
    expect([null, 1800, 3 * 3600 + 120, 5 * 86400].map(lasting)).toEqual(['—', '30 min', '3 h 2 min', '5 days'])
  })
})
