import type { Build, Edit } from '../api/client'

/** Facts that stand otherwise than before, though this window's own edits did not touch them, by what they now say. */
export function changedElsewhere(before: Pick<Build, 'facts'>, after: Pick<Build, 'facts'>, own: readonly Edit[]): string[] {
  const mine = new Set(own.map((e) => e.path))
  const paths = [...new Set([...Object.keys(before.facts), ...Object.keys(after.facts)])]
  return paths.filter((path) => {
    const [old, now] = [before.facts[path], after.facts[path]]
    const stated = [old, now].some((fact) => fact && fact.evidence !== 'rule')
    return !mine.has(path) && stated && (old?.text !== now?.text || old?.evidence !== now?.evidence)
  })
}
