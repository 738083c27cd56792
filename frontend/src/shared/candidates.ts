import type { CandidateColumn, Candidates } from '../api/client'

const IDS = ['a', 'b', 'c', 'd', 'e']

/** First letter not in use. */
export function nextId(taken: string[]): string {
  return IDS.find((id) => !taken.includes(id)) ?? 'a'
}

/** Columns whose figure is the best there is; none where all are alike or only one is known. */
export function bestOf(columns: CandidateColumn[], figure: Candidates['figures'][number]): number[] {
  const values = columns.map((c) => c.figures[figure.figure] ?? null)
  const known = values.filter((v): v is number => v !== null)
  if (known.length < 2) return []
  const best = figure.more ? Math.max(...known) : Math.min(...known)
  const near = values.flatMap((v, i) => (v !== null && Math.abs(v - best) <= 1e-3 * Math.abs(best) ? [i] : []))
  return near.length === known.length ? [] : near
}
