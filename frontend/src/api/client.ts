import { whileBusy } from '../shared/busy'
import type { components, paths } from './types'

export type Schemas = components['schemas']
export type Build = Schemas['BuildOut']
export type Report = Schemas['Report']
export type Row = Schemas['RowOut']
export type Check = Schemas['CheckOut']
export type SystemBlock = Schemas['SystemOut']
export type Fact = Schemas['FactOut']
export type Vocabulary = Schemas['Vocabulary']
export type Field = Schemas['FieldOut']
export type Display = Schemas['DisplayOut']
export type Card = Schemas['Card']
export type Starter = Schemas['StarterRequest']
export type Edit = Schemas['EditEntry']
export type ReadOut = Schemas['ReadOut']
export type Step = Schemas['StepOut']
export type InBin = Schemas['InBin']
export type Revision = Schemas['RevisionOut']
export type ExploreEvent = Schemas['ExploreEvent']
export type Change = Schemas['ChangeOut']
export type Measure = Schemas['MeasureOut']
export type Round = Schemas['Round']
export type Solved = Schemas['SolvedOut']
/** Drawings of the stations, by name: `fuel/circuit`. */
export type ViewName = keyof paths extends infer P ? (P extends `/api/view/${infer V}` ? V : never) : never
type ViewAnswer<V extends ViewName> = paths[`/api/view/${V}`]['post']['responses'][200]['content']['application/json']
/** What a drawing is made of. */
export type View<V extends ViewName> = NonNullable<ViewAnswer<V>['data']>
export type SideBySide = Schemas['SideBySide']
export type ComparedPart = Schemas['ComparedPart']
export type HeatMap = Schemas['MapOut']
export type MapKind = Schemas['MapRequest']['kind']
export type NeedRow = Schemas['NeedRow']
export type SheetDocument = Record<string, unknown>

export interface ProblemEntry {
  field: string
  label: string
  read: string
  allowed: string
  message: string
}

/** An answer that says no, with each field it is about. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    title: string,
    readonly problems: ProblemEntry[] = [],
    readonly current: Build | null = null,
    /** How long the server asks to be left alone. */
    readonly retryMs: number = 0,
  ) {
    super(title)
  }
}

/** The server was not reached at all. */
export class Offline extends Error {}

interface ProblemBody {
  title?: string
  code?: string
  problems?: ProblemEntry[]
  current?: Build
}

/** One call, which counts as the page's work until it is answered. */
const call = <T>(method: string, path: string, body?: unknown, headers: Record<string, string> = {}, signal?: AbortSignal): Promise<T> =>
  whileBusy(quietly<T>(method, path, body, headers, signal))

async function quietly<T>(method: string, path: string, body?: unknown, headers: Record<string, string> = {}, signal?: AbortSignal): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method,
      signal,
      headers: body === undefined ? headers : { 'Content-Type': 'application/json', ...headers },
      body: body === undefined ? undefined : JSON.stringify(body),
    })
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') throw error
    throw new Offline('The server is not reached.')
  }
  if (response.ok) return (response.status === 204 ? undefined : await response.json()) as T
  const problem = (await response.json().catch(() => ({}))) as ProblemBody
  throw refusal(response, problem)
}

function refusal(response: Response, problem: ProblemBody): Problem {
  const wait = 1000 * Number(response.headers.get('Retry-After') ?? 0)
  return new Problem(response.status, problem.code ?? 'unknown', problem.title ?? response.statusText, problem.problems ?? [], problem.current ?? null, Number.isFinite(wait) ? wait : 0)
}

async function text(path: string, body: unknown): Promise<string> {
  const response = await fetch(`/api${path}`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })
  if (!response.ok) throw refusal(response, (await response.json().catch(() => ({}))) as ProblemBody)
  return response.text()
}

/** Read a stream of events, one a line, as they come; aborting the signal drops the rest. */
async function stream(path: string, body: unknown, signal: AbortSignal, take: (event: ExploreEvent) => void): Promise<void> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, { method: 'POST', signal, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') throw error
    throw new Offline('The server is not reached.')
  }
  if (!response.ok || !response.body) {
    const problem = (await response.json().catch(() => ({}))) as ProblemBody
    throw refusal(response, problem)
  }
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read()
    rest += value ?? ''
    const lines = rest.split('\n')
    rest = done ? '' : (lines.pop() ?? '')
    for (const line of lines) if (line) take(JSON.parse(line) as ExploreEvent)
    if (done) return
  }
}

/** An answer made whole with the build it is the difference to. */
export function whole(answer: Build, held: Build | null): Build {
  if (!answer.since || !answer.report) return answer
  if (held?.stands_on !== answer.since || !held.report) throw new Problem(0, 'difference', 'The answer is the difference to something that is not here.')
  const [now, was] = [answer.report, held.report]
  const gone = new Set(answer.gone)
  const systems = Object.keys(was.systems).map((id) => [id, now.systems[id] ?? was.systems[id]] as const)
  return {
    ...answer,
    since: null,
    gone: [],
    facts: { ...Object.fromEntries(Object.entries(held.facts).filter(([path]) => !gone.has(path))), ...answer.facts },
    report: { ...now, systems: Object.fromEntries(systems) as typeof was.systems, rows: systems.flatMap(([id]) => (now.systems[id] ? now : was).rows.filter((row) => row.system === id)) },
  }
}

const match = (revision: number) => ({ 'If-Match': `"${revision}"` })

export const api = {
  vocabulary: () => call<Vocabulary>('GET', '/vocabulary'),
  shelf: (after = '') => call<Schemas['Shelf']>('GET', `/builds?after=${encodeURIComponent(after)}`),
  bin: () => call<Schemas['Bin']>('GET', '/bin'),
  build: (id: string, explain = 'governing') => call<Build>('GET', `/builds/${encodeURIComponent(id)}?explain=${encodeURIComponent(explain)}`),
  start: (starter: Starter) => call<Build>('POST', '/builds', { starter }),
  create: (sheet: SheetDocument) => call<Build>('POST', '/builds', { sheet }),
  /** `held`: the build as the page has it; the answer is only what differs, and made whole with it here. */
  edit: async (id: string, revision: number, edits: Edit[], held: Build | null = null) => {
    const mine = held?.id === id && held.report ? held : null
    return whole(await call<Build>('PATCH', `/builds/${id}`, { edits, holds: mine?.stands_on || null }, match(revision)), mine)
  },
  copy: (id: string) => call<Build>('POST', `/builds/${id}/copy`, { name: null }),
  remove: (id: string, revision: number) => call<undefined>('DELETE', `/builds/${id}`, undefined, match(revision)),
  undelete: (id: string) => call<Build>('POST', `/builds/${id}/undelete`),
  revisions: (id: string) => call<Schemas['Revisions']>('GET', `/builds/${id}/revisions`),
  revision: (id: string, revision: number) => call<Schemas['RevisionDocument']>('GET', `/builds/${id}/revisions/${revision}`),
  nameRevision: (id: string, revision: number, name: string) => call<Schemas['Revisions']>('PATCH', `/builds/${id}/revisions/${revision}`, { name }),
  bringBack: (id: string, revision: number, wanted: number) =>
    call<Build>('POST', `/builds/${id}/revisions/${wanted}/bring-back`, undefined, match(revision)),
  size: (sheet: SheetDocument, explain = 'governing', signal?: AbortSignal, samples = 0) => call<Report>('POST', '/size', { sheet, explain, samples }, {}, signal),
  explore: (sheet: SheetDocument, parts: string[], signal: AbortSignal, take: (event: ExploreEvent) => void) =>
    stream('/explore', { sheet, parts, explain: 'none' }, signal, take),
  compare: (place: string, sheet: SheetDocument, signal?: AbortSignal) => call<SideBySide>('POST', `/compare/${place}`, { sheet }, {}, signal),
  heatMap: (sheet: SheetDocument, duty: string, kind: MapKind, signal?: AbortSignal) => call<HeatMap>('POST', '/map', { sheet, duty, kind }, {}, signal),
  round: (sheet: SheetDocument) => call<Round>('POST', '/round', { sheet }),
  solve: (sheet: SheetDocument, path: string, signal?: AbortSignal) => call<Solved>('POST', '/solve', { sheet, path }, {}, signal),
  needs: (sheet: SheetDocument, signal?: AbortSignal) => call<Schemas['NeedSheet']>('POST', '/need', { sheet }, {}, signal),
  needCsv: (sheet: SheetDocument) => text('/need.csv', { sheet }),
  view: <V extends ViewName>(view: V, sheet: SheetDocument, options: Record<string, number>, signal?: AbortSignal) =>
    call<ViewAnswer<V>>('POST', `/view/${view}`, { sheet, options }, {}, signal),
  /** While typing: what stands on the page is not in doubt for it. */
  read: (text: string, kind: string, units: Schemas['UnitsDocument'], signal?: AbortSignal) =>
    quietly<ReadOut>('POST', '/read', { text, kind, units }, {}, signal),
}
