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
const server = createClient<paths>({ baseUrl: globalThis.location?.origin, fetch: reached })
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
const quietly = async <T>(asked: Promise<{ data?: T }>): Promise<T> => (await asked).data as T
/** The same, as the page's work until it is answered. */
const told = <T>(asked: Promise<{ data?: T }>): Promise<T> => whileBusy(quietly(asked))
/** A kept document is what was typed, right or not: the server reads it. */
const sent = (sheet: SheetDocument) => sheet as Schemas['BuildDocument']

/** Take events, one a line, as they come. */
async function eachOf<E>(body: ReadableStream<Uint8Array>, take: (event: E) => void): Promise<void> {
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

/** A file's bytes, sent as they are; the library's own types know only JSON. */
const asItIs = (asked: object, file: Blob) => ({ ...asked, body: file, bodySerializer: (body: unknown) => body as Blob, headers: { 'Content-Type': 'application/octet-stream' } }) as never

const of = (id: string) => ({ path: { id } })
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
  order: (sheet: SheetDocument, today: string, signal?: AbortSignal) => told(server.POST('/api/order', { body: { sheet: sent(sheet), today }, signal })),
  options: (sheet: SheetDocument, today: string, signal?: AbortSignal) => told(server.POST('/api/options', { body: { sheet: sent(sheet), today }, signal })),
  /** The order of work as a file: tasks, things, or a calendar. */
  orderFile: (file: '.csv' | '/things.csv' | '.ics', sheet: SheetDocument, today: string) => {
    const post = server.POST as (path: string, asked: object) => Promise<{ data?: Blob }>
    return quietly(post(`/api/order${file}`, { body: { sheet: sent(sheet), today }, parseAs: 'blob' }))
  },
  firstStart: (sheet: SheetDocument, signal?: AbortSignal) => told(server.POST('/api/start', { body: { sheet: sent(sheet) }, signal })),
  faults: (sheet: SheetDocument, signal?: AbortSignal) => told(server.POST('/api/start/faults', { body: { sheet: sent(sheet) }, signal })),
  thresholds: (sheet: SheetDocument) => quietly(server.POST('/api/start/thresholds.csv', { body: { sheet: sent(sheet) }, parseAs: 'text' })),
  /** Gauges of the simulated engine, all of a run. */
  engine: async (sheet: SheetDocument, fault: { group: string; cause: string; size: number; seed: number | null }, take: (event: Schemas['StartEvent']) => void) => {
    const body = await quietly(server.POST('/api/start/engine', { body: { sheet: sent(sheet), ...fault }, parseAs: 'stream' }))
    if (body) await eachOf(body as unknown as ReadableStream<Uint8Array>, take)
  },
  newest: (id: string, signal?: AbortSignal) => quietly(server.GET('/api/builds/{id}/newest', { params: of(id), signal })),
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
  /** A thing's points from a file's bytes, sent as they are. */
  shape: (file: Blob, query: NonNullable<paths['/api/shape']['post']['parameters']['query']>) =>
    told(server.POST('/api/shape', asItIs({ params: { query } }, file)) as Promise<{ data?: Schemas['ShapeOut'] }>),
  /** A pin list from its text, sent as it is. */
  pins: (text: string) =>
    told(server.POST('/api/pins', asItIs({}, new Blob([text]))) as Promise<{ data?: Schemas['PinsOut'] }>),
  /** A catalogue from a file's bytes, sent as they are; and the one that ships. */
  catalogue: (file: Blob, query: NonNullable<paths['/api/catalogue']['post']['parameters']['query']>) =>
    told(server.POST('/api/catalogue', asItIs({ params: { query } }, file)) as Promise<{ data?: Schemas['CatalogueOut'] }>),
  catalogueSample: () => quietly(server.GET('/api/catalogue/sample', { parseAs: 'blob' }) as Promise<{ data?: Blob }>),
  /** Aborting the signal ends the search. */
  shop: async (asked: { sheet: SheetDocument; parts: Schemas['CataloguePart'][]; places: string[]; sure: boolean }, signal: AbortSignal, take: (event: Schemas['ShopEvent']) => void) => {
    const body = await quietly(server.POST('/api/shop', { body: { ...asked, sheet: sent(asked.sheet) }, signal, parseAs: 'stream' }))
    if (body) await eachOf(body as unknown as ReadableStream<Uint8Array>, take)
  },
  photographs: (id: string) => quietly(server.GET('/api/builds/{id}/photographs', { params: of(id) })),
  /** A photograph's file, sent as it is. */
  photograph: (build: string, subject: string, file: Blob) =>
    quietly(server.POST('/api/photographs', asItIs({ params: { query: { build, subject } } }, file)) as Promise<{ data?: Schemas['PhotographOut'] }>),
  dropPhotograph: (photograph: string) => quietly(server.DELETE('/api/photographs/{photograph}', { params: { path: { photograph } } })),
  scene: (kind: 'stl' | 'obj' | 'csv' | 'dxf', sheet: SheetDocument) =>
    told(server.POST('/api/scene/{kind}', { params: { path: { kind } }, body: { sheet: sent(sheet) }, parseAs: 'blob' }) as Promise<{ data?: Blob }>),
  /** A pan's side view from a file's bytes, sent as they are; and the fitted one as a file. */
  outline: (file: Blob, query: NonNullable<paths['/api/outline']['post']['parameters']['query']>) =>
    told(server.POST('/api/outline', asItIs({ params: { query } }, file)) as Promise<{ data?: Schemas['OutlineOut'] }>),
  outlined: (kind: 'csv' | 'svg' | 'dxf', sheet: SheetDocument) =>
    told(server.POST('/api/outline/{kind}', { params: { path: { kind } }, body: { sheet: sent(sheet) }, parseAs: 'blob' }) as Promise<{ data?: Blob }>),
  /** The parts of a place that several fill, as CSV. */
  listed: (place: string, sheet: SheetDocument) =>
    told(server.POST('/api/list/{place}', { params: { path: { place } }, body: { sheet: sent(sheet) }, parseAs: 'blob' }) as Promise<{ data?: Blob }>),
  /** While typing: what stands on the page is not in doubt for it. */
  read: (text: string, kind: string, units: Schemas['UnitsDocument'], signal?: AbortSignal) =>
    quietly(server.POST('/api/read', { body: { text, kind, units }, signal })),
}
