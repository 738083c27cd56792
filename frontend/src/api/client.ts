import createClient from 'openapi-fetch'
import { whileBusy } from './busy'
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
/** Searches of the stations that take seconds, by name: `fit/best`. */
export type SeekName = keyof paths extends infer P ? (P extends `/api/seek/${infer V}` ? V : never) : never
export type SeekEvent<S extends SeekName> = paths[`/api/seek/${S}`]['post']['responses'][200]['content']['application/x-ndjson']
/** What a search comes to. */
export type Sought<S extends SeekName> = NonNullable<SeekEvent<S>['data']>
export type SideBySide = Schemas['SideBySide']
export type ComparedPart = Schemas['ComparedPart']
export type HeatMap = Schemas['MapOut']
export type MapKind = Schemas['MapRequest']['kind']
export type Explain = NonNullable<Schemas['SizeRequest']['explain']>
export type Samples = NonNullable<Schemas['SizeRequest']['samples']>
/** What is explored beside the verdict. */
export type Part = Schemas['ExploreRequest']['parts'][number]
export type NeedRow = Schemas['NeedRow']
export type SheetDocument = Record<string, unknown>

export type ProblemEntry = Schemas['ProblemEntry']
type ProblemBody = Partial<Schemas['StaleProblem']>

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

/** Answers of the server, each with the type its address states. What is refused is thrown as a Problem. */
export const server = createClient<paths>({ baseUrl: globalThis.location?.origin, fetch: reached })
server.use({
  async onResponse({ response }) {
    if (!response.ok) throw refusal(response, (await response.json().catch(() => ({}))) as ProblemBody)
  },
})

async function reached(request: Request): Promise<Response> {
  try {
    return await fetch(request)
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') throw error
    throw new Offline('The server is not reached.')
  }
}

function refusal(response: Response, problem: ProblemBody): Problem {
  const wait = 1000 * Number(response.headers.get('Retry-After') ?? 0)
  return new Problem(response.status, problem.code ?? 'unknown', problem.title ?? response.statusText, problem.problems ?? [], problem.current ?? null, Number.isFinite(wait) ? wait : 0)
}

/** What an answer holds. */
export const quietly = async <T>(asked: Promise<{ data?: T }>): Promise<T> => (await asked).data as T
/** The same, as the page's work until it is answered. */
export const told = <T>(asked: Promise<{ data?: T }>): Promise<T> => whileBusy(quietly(asked))
/** A kept document is what was typed, right or not: the server reads it. */
export const sent = (sheet: SheetDocument) => sheet as Schemas['BuildDocument']

/** Take events, one a line, as they come. */
export async function eachOf<E>(body: ReadableStream<Uint8Array>, take: (event: E) => void): Promise<void> {
  const reader = body.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader()
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read()
    rest += value ?? ''
    const lines = rest.split('\n')
    rest = done ? '' : (lines.pop() ?? '')
    for (const line of lines) if (line) take(JSON.parse(line) as E)
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

export const of = (id: string) => ({ path: { id } })
const at = (id: string, revision: number) => ({ path: { id, revision } })
const made = (revision: number) => ({ header: { 'If-Match': `"${revision}"` } })

export const api = {
  vocabulary: () => told(server.GET('/api/vocabulary')),
  shelf: (after = '') => told(server.GET('/api/builds', { params: { query: { after } } })),
  bin: () => told(server.GET('/api/bin')),
  build: (id: string, explain: Explain = 'governing') => told(server.GET('/api/builds/{id}', { params: { ...of(id), query: { explain } } })),
  start: (starter: Starter) => told(server.POST('/api/builds', { body: { starter } })),
  create: (sheet: SheetDocument) => told(server.POST('/api/builds', { body: { sheet: sent(sheet) } })),
  /** `held`: the build as the page has it; the answer is only what differs, and made whole with it here. */
  edit: async (id: string, revision: number, edits: Edit[], held: Build | null = null) => {
    const mine = held?.id === id && held.report ? held : null
    const asked = server.PATCH('/api/builds/{id}', { params: { ...of(id), ...made(revision) }, body: { edits, holds: mine?.stands_on || null } })
    return whole(await told(asked), mine)
  },
  copy: (id: string) => told(server.POST('/api/builds/{id}/copy', { params: of(id), body: { name: null } })),
  remove: (id: string, revision: number) => told(server.DELETE('/api/builds/{id}', { params: { ...of(id), ...made(revision) } })),
  undelete: (id: string) => told(server.POST('/api/builds/{id}/undelete', { params: of(id) })),
  revisions: (id: string) => told(server.GET('/api/builds/{id}/revisions', { params: of(id) })),
  revision: (id: string, revision: number) => told(server.GET('/api/builds/{id}/revisions/{revision}', { params: at(id, revision) })),
  nameRevision: (id: string, revision: number, name: string) =>
    told(server.PATCH('/api/builds/{id}/revisions/{revision}', { params: at(id, revision), body: { name } })),
  bringBack: (id: string, revision: number, wanted: number) =>
    told(server.POST('/api/builds/{id}/revisions/{revision}/bring-back', { params: { ...at(id, wanted), ...made(revision) } })),
  size: (sheet: SheetDocument, explain: Explain = 'governing', signal?: AbortSignal, samples: Samples = 0) =>
    told(server.POST('/api/size', { body: { sheet: sent(sheet), explain, samples }, signal })),
  /** Aborting the signal drops what is still to come. */
  explore: async (sheet: SheetDocument, parts: Part[], signal: AbortSignal, take: (event: ExploreEvent) => void) => {
    const asked = server.POST('/api/explore', { body: { sheet: sent(sheet), parts, explain: 'none', samples: 1024 }, signal, parseAs: 'stream' })
    const body = await quietly(asked)
    // One event of the stream is what the address states; all of it is read as it comes.
    if (body) await eachOf(body as unknown as ReadableStream<Uint8Array>, take)
  },
  compare: (place: string, sheet: SheetDocument, signal?: AbortSignal) =>
    told(server.POST('/api/compare/{place}', { params: { path: { place } }, body: { sheet: sent(sheet) }, signal })),
  heatMap: (sheet: SheetDocument, duty: string, kind: MapKind, signal?: AbortSignal) =>
    told(server.POST('/api/map', { body: { sheet: sent(sheet), duty, kind }, signal })),
  round: (sheet: SheetDocument) => told(server.POST('/api/round', { body: { sheet: sent(sheet) } })),
  solve: (sheet: SheetDocument, path: string, signal?: AbortSignal) => told(server.POST('/api/solve', { body: { sheet: sent(sheet), path, sure: true }, signal })),
  needs: (sheet: SheetDocument, signal?: AbortSignal) => told(server.POST('/api/need', { body: { sheet: sent(sheet) }, signal })),
  needCsv: (sheet: SheetDocument) => quietly(server.POST('/api/need.csv', { body: { sheet: sent(sheet) }, parseAs: 'text' })),
  view: <V extends ViewName>(view: V, sheet: SheetDocument, options: Record<string, number>, signal?: AbortSignal) => {
    // Of all drawings at once there is no one type: which it is follows from the name asked for.
    const post = server.POST as (path: string, asked: object) => Promise<{ data?: ViewAnswer<V> }>
    return told(post(`/api/view/${view}`, { body: { sheet: sent(sheet), options }, signal }))
  },
  /** Aborting the signal ends the search. */
  seek: async <S extends SeekName>(search: S, sheet: SheetDocument, signal: AbortSignal, take: (event: SeekEvent<S>) => void) => {
    const post = server.POST as (path: string, asked: object) => Promise<{ data?: unknown }>
    const body = await quietly(post(`/api/seek/${search}`, { body: { sheet: sent(sheet) }, signal, parseAs: 'stream' }))
    if (body) await eachOf(body as ReadableStream<Uint8Array>, take)
  },
  /** While typing: what stands on the page is not in doubt for it. */
  read: (text: string, kind: string, units: Schemas['UnitsDocument'], signal?: AbortSignal) =>
    quietly(server.POST('/api/read', { body: { text, kind, units }, signal })),
}
