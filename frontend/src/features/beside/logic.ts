import type { Build, Row, Vocabulary } from '../../api/client'

export interface Pair {
  key: string
  label: string
  a: string
  b: string
}

const shown = (build: Build, path: string) => {
  const fact = build.facts[path]
  if (!fact) return '—'
  return fact.evidence === 'rule' ? `${fact.shown} (rule)` : fact.shown
}

/** Facts in which two builds differ, stated in at least one of them, in the sheet's order. */
export function factsApart(a: Build, b: Build, words: Vocabulary): Pair[] {
  const found: Pair[] = []
  for (const section of Object.values(words.sections)) {
    if (section.id === 'duties') continue
    for (const field of section.fields) {
      const path = `${section.id}.${field.name}`
      const [one, other] = [a.facts[path], b.facts[path]]
      const stated = [one, other].some((fact) => fact && fact.evidence !== 'rule')
      const same = one?.si !== null && one?.si !== undefined ? one.si === other?.si : one?.shown === other?.shown
      if (stated && !same) found.push({ key: path, label: `${section.title}: ${field.label}`, a: shown(a, path), b: shown(b, path) })
    }
  }
  return found
}

/** Rows of both by part, with what `said` makes of each. */
export function rowsBeside(a: Row[], b: Row[], said: (row: Row) => string): Pair[] {
  const key = (r: Row) => `${r.system} ${r.part} ${r.kind} ${r.kind === 'gate' ? r.check : ''}`
  const others = new Map(b.map((r) => [key(r), r]))
  const label = (r: Row) => r.label + (r.kind === 'load' ? ', at a load' : '')
  const first = a.map((r): Pair => {
    const other = others.get(key(r))
    others.delete(key(r))
    return { key: key(r), label: label(r), a: said(r), b: other ? said(other) : '—' }
  })
  return [...first, ...[...others.values()].map((r): Pair => ({ key: key(r), label: label(r), a: '—', b: said(r) }))]
}
