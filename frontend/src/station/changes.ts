import type { Change } from '../api/client'

export interface Folded {
  change: Change
  others: Change[]
}

/** Several sizes of one change as one line: the smallest that mends it, else the one that does most. A size somebody priced keeps its own. */
export function foldSizes(changes: Change[]): Folded[] {
  const kind = (c: Change) => (c.id.includes('+') || c.price ? c.id : c.id.replace(/_\d+$/, ''))
  const groups = new Map<string, Change[]>()
  for (const change of changes) groups.set(kind(change), [...(groups.get(kind(change)) ?? []), change])
  const size = (c: Change) => Number(/_(\d+)$/.exec(c.id)?.[1] ?? 0)
  return [...groups.values()].map((all) => {
    const change = all.filter((c) => c.mends && !c.rejected).sort((a, b) => size(a) - size(b))[0] ?? (all[0] as Change)
    return { change, others: all.filter((c) => c !== change).sort((a, b) => size(a) - size(b)) }
  })
}
