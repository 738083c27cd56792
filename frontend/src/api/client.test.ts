import { describe, expect, it } from 'vitest'
import { whole, type Build } from './client'

const build = (over: object): Build => ({ id: 'a', since: null, gone: [], stands_on: 'one', facts: {}, report: null, ...over }) as unknown as Build
const report = (systems: Record<string, object>, rows: object[]) => ({ systems, rows, state: 'holds' })
const row = (system: string, fill: number) => ({ system, fill })

describe('an answer less what the page has', () => {
  const held = build({
    facts: { 'fuel.a': { si: 1 }, 'fuel.b': { si: 2 }, 'oil.c': { si: 3 } },
    report: report({ engine: { fill: 0.1 }, oil: { fill: 0.2 }, fuel: { fill: 0.3 } }, [row('oil', 0.2), row('fuel', 0.3), row('fuel', 0.1)]),
  })
  it('is made whole with it, in its order', () => {
    const answer = build({ since: 'one', gone: ['fuel.b'], stands_on: 'two', facts: { 'fuel.a': { si: 9 } }, report: { ...report({ oil: { fill: 0.5 } }, [row('oil', 0.5)]), state: 'short' } })
    const found = whole(answer, held)
    expect(found.facts).toEqual({ 'fuel.a': { si: 9 }, 'oil.c': { si: 3 } })
    expect(Object.entries(found.report?.systems ?? {})).toEqual([['engine', { fill: 0.1 }], ['oil', { fill: 0.5 }], ['fuel', { fill: 0.3 }]])
    expect(found.report?.rows).toEqual([row('oil', 0.5), row('fuel', 0.3), row('fuel', 0.1)])
    expect([found.report?.state, found.stands_on, found.since]).toEqual(['short', 'two', null])
  })
  it('is left as it is where it is whole already', () => {
    const answer = build({ facts: { 'fuel.a': { si: 9 } } })
    expect(whole(answer, held)).toBe(answer)
  })
  it('is refused where it is the difference to something else', () => {
    expect(() => whole(build({ since: 'other', report: report({}, []) }), held)).toThrow()
  })
})
