import type { ComparedPart, SideBySide } from '../api/client'

/** Columns whose figure is the best there is; none where all are alike or only one is known. */
export function bestOf(columns: ComparedPart[], figure: SideBySide['figures'][number]): number[] {
  const values = columns.map((c) => c.figures[figure.figure] ?? null)
  const known = values.filter((v): v is number => v !== null)
  if (known.length < 2) return []
  const best = figure.more ? Math.max(...known) : Math.min(...known)
  const near = values.flatMap((v, i) => (v !== null && Math.abs(v - best) <= 1e-3 * Math.abs(best) ? [i] : []))
  return near.length === known.length ? [] : near
}
