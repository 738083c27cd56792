import type { Report } from '../api/client'

/** Judged, but nothing of it is stated yet, while the rest of the build is begun. */
export function notStarted(report: Report | null, id: string): boolean {
  const scope = report?.scope[id]
  return scope?.state === 'judged' && !scope.started && !report?.nothing_fitted && report?.systems[id]?.state === 'unknown'
}
