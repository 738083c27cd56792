import { newId } from './kept'

/** A short name of its own for what is put on a list. */
export const shortId = (): string => `r${newId().replace(/[^a-z0-9]/gi, '').toLowerCase().slice(0, 16)}`
