import type { Check, Report, Row } from '../api/client'

const checkKey = (system: string, c: Check) => `${system} ${c.id} ${c.duty}`
const rowKey = (r: Row) => `${r.system} ${r.part} ${r.kind} ${r.kind === 'gate' ? r.check : ''}`

/** A report with the bands of another sizing of the same build: what tolerance adds, and nothing else. */
export function withBands(report: Report, sure: Report): Report {
  const rows = new Map(sure.rows.map((r) => [rowKey(r), r]))
  const systems: Report['systems'] = {}
  for (const [id, block] of Object.entries(report.systems)) {
    const from = sure.systems[id]
    const checks = new Map((from?.checks ?? []).map((c) => [checkKey(id, c), c]))
    systems[id] = {
      ...block,
      state: from?.state ?? block.state,
      holds_probability: from?.holds_probability ?? null,
      checks: block.checks.map((c) => {
        const band = checks.get(checkKey(id, c))
        return band ? { ...band, sentence: c.sentence } : c
      }),
    }
  }
  return {
    ...report,
    state: sure.state,
    samples: sure.samples,
    clipped_share: sure.clipped_share,
    holds_probability: sure.holds_probability ?? null,
    rows: report.rows.map((r) => {
      const band = rows.get(rowKey(r))
      return band ? { ...r, reach_low_w: band.reach_low_w, reach_high_w: band.reach_high_w, reach_low_code: band.reach_low_code, reach_high_code: band.reach_high_code, fill_low: band.fill_low, fill_high: band.fill_high, holds_probability: band.holds_probability } : r
    }),
    systems,
  }
}

export interface Whisker {
  low: number
  high: number
}

/** Ends of a row's whisker on an axis of watts; a reach above every scan runs off its end. */
export function whisker(row: Row, top: number): Whisker | null {
  if (!row.reach_low_code || row.reach_low_code === 'unknown') return null
  const end = (watts: number | null | undefined, code: string | null | undefined) => (watts ?? (code === 'above' ? top : 0))
  const low = Math.min(end(row.reach_low_w, row.reach_low_code), top)
  const high = Math.min(end(row.reach_high_w, row.reach_high_code), top)
  return high - low > 1e-6 * top ? { low, high } : null
}

/** A check of the report for one duty (empty for a gate), with its bands where tolerance was asked for. */
export function checkOf(report: Report | null, system: string, id: string, duty: string): Check | undefined {
  return report?.systems[system]?.checks.find((c) => c.id === id && c.duty === duty)
}

/** Both ends of a band, or null where either is not there. */
export function ends(low: number | null | undefined, high: number | null | undefined): [number, number] | null {
  return typeof low === 'number' && typeof high === 'number' ? [low, high] : null
}

/** Chance as words a builder weighs: never 0 or 100 % where samples alone say so. */
export function chance(share: number): string {
  const points = Math.round(100 * share)
  return points <= 0 ? 'under 1 %' : points >= 100 ? 'over 99 %' : `${points} %`
}
