import { eachOf, of, quietly, sent, server, told, type Schemas, type SheetDocument } from './client'
import { asItIs } from './files'
import type { paths } from './types'

/** Answers that only the floor's pages ask for: they come with those pages. */
export const floor = {
  order: (sheet: SheetDocument, today: string, signal?: AbortSignal) => told(server.POST('/api/order', { body: { sheet: sent(sheet), today }, signal })),
  options: (sheet: SheetDocument, today: string, signal?: AbortSignal) => told(server.POST('/api/options', { body: { sheet: sent(sheet), today }, signal })),
  /** The order of work as a file: tasks, things, or a calendar. */
  orderFile: (file: '.csv' | '/things.csv' | '.ics', sheet: SheetDocument, today: string) => {
    const post = server.POST as (path: string, asked: object) => Promise<{ data?: Blob }>
    return quietly(post(`/api/order${file}`, { body: { sheet: sent(sheet), today }, parseAs: 'blob' }))
  },
  start: (sheet: SheetDocument, signal?: AbortSignal) => told(server.POST('/api/start', { body: { sheet: sent(sheet) }, signal })),
  faults: (sheet: SheetDocument, signal?: AbortSignal) => told(server.POST('/api/start/faults', { body: { sheet: sent(sheet) }, signal })),
  thresholds: (sheet: SheetDocument) => quietly(server.POST('/api/start/thresholds.csv', { body: { sheet: sent(sheet) }, parseAs: 'text' })),
  /** Gauges of the simulated engine, all of a run. */
  engine: async (sheet: SheetDocument, fault: { group: string; cause: string; size: number; seed: number | null }, take: (event: Schemas['StartEvent']) => void) => {
    const body = await quietly(server.POST('/api/start/engine', { body: { sheet: sent(sheet), ...fault }, parseAs: 'stream' }))
    if (body) await eachOf(body as unknown as ReadableStream<Uint8Array>, take)
  },
  readings: (sheet: SheetDocument, signal?: AbortSignal) => told(server.POST('/api/readings', { body: { sheet: sent(sheet) }, signal })),
  /** A drive that ships by its id, or a recording. */
  drive: (sheet: SheetDocument, asked: { drive: string; recording: string }, signal?: AbortSignal) => told(server.POST('/api/readings/drive', { body: { sheet: sent(sheet), ...asked }, signal })),
  logged: (sheet: SheetDocument, asked: { drive: string; fault: string; seed: number }) =>
    told(server.POST('/api/readings/logger.csv', { body: { sheet: sent(sheet), ...asked }, parseAs: 'blob' }) as Promise<{ data?: Blob }>),
  /** Rows of a logger on a port of this machine, as they come; aborting the signal hangs up. */
  listen: async (port: number, signal: AbortSignal, take: (event: Schemas['HeardEvent']) => void) => {
    const body = await told(server.POST('/api/readings/listen', { body: { port }, signal, parseAs: 'stream' }) as Promise<{ data?: ReadableStream<Uint8Array> }>)
    await eachOf(body, take)
  },
  recordings: (id: string) => told(server.GET('/api/builds/{id}/recordings', { params: of(id) })),
  /** What a log or a track holds; and kept with a build: the file's bytes, sent as they are. */
  recordingRead: (file: Blob, query: { kind: 'csv' | 'gpx'; columns: string }) =>
    told(server.POST('/api/recordings/read', asItIs({ params: { query } }, file)) as Promise<{ data?: Schemas['FileOut'] }>),
  recordingKeep: (file: Blob, query: { kind: 'csv' | 'gpx'; columns: string; build: string; name: string }) =>
    told(server.POST('/api/recordings', asItIs({ params: { query } }, file)) as Promise<{ data?: Schemas['RecordingOut'] }>),
  recordingCsv: (recording: string) => told(server.GET('/api/recordings/{recording}', { params: { path: { recording } }, parseAs: 'blob' }) as Promise<{ data?: Blob }>),
  recordingDrop: (recording: string) => quietly(server.DELETE('/api/recordings/{recording}', { params: { path: { recording } } })),
  since: (id: string) => told(server.GET('/api/builds/{id}/since', { params: of(id) })),
  newest: (id: string, signal?: AbortSignal) => quietly(server.GET('/api/builds/{id}/newest', { params: of(id), signal })),
  /** A catalogue from a file's bytes, sent as they are; and the one that ships. */
  catalogue: (file: Blob, query: NonNullable<paths['/api/catalogue']['post']['parameters']['query']>) =>
    told(server.POST('/api/catalogue', asItIs({ params: { query } }, file)) as Promise<{ data?: Schemas['CatalogueOut'] }>),
  catalogueSample: () => quietly(server.GET('/api/catalogue/sample', { parseAs: 'blob' }) as Promise<{ data?: Blob }>),
  /** Aborting the signal ends the search. */
  shop: async (asked: { sheet: SheetDocument; parts: Schemas['CataloguePart'][]; places: string[]; sure: boolean }, signal: AbortSignal, take: (event: Schemas['ShopEvent']) => void) => {
    const body = await quietly(server.POST('/api/shop', { body: { ...asked, sheet: sent(asked.sheet) }, signal, parseAs: 'stream' }))
    if (body) await eachOf(body as unknown as ReadableStream<Uint8Array>, take)
  },
}
