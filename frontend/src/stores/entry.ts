import type { Edit } from '../api/client'
import { line } from './build'

export type Fields = Record<string, string | null | undefined>

/** Edits of one entry's fields; what is empty is left out. */
export const entryAt = (path: string, fields: Fields): Edit[] => Object.entries(fields).flatMap(([field, text]) => (text ? [line(`${path}.${field}`, text)] : []))
