import { of, quietly, sent, server, told, type Schemas, type SheetDocument } from './client'
import type { paths } from './types'

/** A file's bytes, sent as they are; the library's own types know only JSON. */
export const asItIs = (asked: object, file: Blob) => ({ ...asked, body: file, bodySerializer: (body: unknown) => body as Blob, headers: { 'Content-Type': 'application/octet-stream' } }) as never

/** Files that are sent as they are, and those that are taken out: they come with the stations that have them. */
export const files = {
  /** A thing's points from a file's bytes, sent as they are. */
  shape: (file: Blob, query: NonNullable<paths['/api/shape']['post']['parameters']['query']>) =>
    told(server.POST('/api/shape', asItIs({ params: { query } }, file)) as Promise<{ data?: Schemas['ShapeOut'] }>),
  /** A pin list from its text, sent as it is. */
  pins: (text: string) =>
    told(server.POST('/api/pins', asItIs({}, new Blob([text]))) as Promise<{ data?: Schemas['PinsOut'] }>),
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
}
