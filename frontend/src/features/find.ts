import type { Report, Vocabulary } from '../api/client'
import { stationOf } from '../shared/places'

export interface Hit {
  label: string
  where: string
  station: string
  hash: string
}

/** Everything that can be found by name: facts, checks and steps of working. */
export function index(words: Vocabulary, report: Report): Hit[] {
  const hits: Hit[] = []
  for (const section of Object.values(words.sections)) {
    if (section.id === 'duties') continue
    for (const field of section.fields) {
      hits.push({ label: field.label, where: `${section.title} · ${field.group || 'fact'}`, station: stationOf(section.id, field.group), hash: `#${section.id}.${field.name}` })
    }
  }
  for (const [id, block] of Object.entries(report.systems)) {
    const names = new Map([...block.checks.map((c): [string, string] => [c.id, c.name]), ...block.unknown.map((u): [string, string] => [u.check, u.name])])
    for (const [check, name] of names) hits.push({ label: name, where: `${block.title} · check`, station: id, hash: `#${check}` })
    for (const step of Object.values(block.working)[0] ?? []) hits.push({ label: step.name, where: `${block.title} · working`, station: id, hash: `#step-${step.symbol}` })
  }
  return hits
}

/** Hits for typed words, those that begin with them first. */
export function search(hits: Hit[], text: string, most = 12): Hit[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  if (!words.length) return []
  const rank = (hit: Hit) => (hit.label.toLowerCase().startsWith(words[0] ?? '') ? 0 : 1)
  return hits
    .filter((hit) => words.every((word) => `${hit.label} ${hit.where}`.toLowerCase().includes(word)))
    .sort((a, b) => rank(a) - rank(b) || a.label.length - b.label.length)
    .slice(0, most)
}
