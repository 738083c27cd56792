import type { SheetDocument } from '../api/client'

/** How a part stands with its builder. */
export interface Keep { state?: string; from?: string; price?: string; note?: string }

/** A part as it stands in the sheet; without a role it lies on the yard. */
export interface Part { id: string; kind: string; role?: string | null; name?: string; facts?: Record<string, unknown>; keep?: Keep | null }

export const partsOf = (sheet: SheetDocument): Part[] => ((sheet.parts as Part[] | undefined) ?? [])
/** What fills a place, in order. */
export const inPlace = (sheet: SheetDocument, place: string) => partsOf(sheet).filter((part) => part.role === place)
/** Parts of a kind that fill no place. */
export const onYard = (sheet: SheetDocument, kind: string) => partsOf(sheet).filter((part) => !part.role && part.kind === kind)

/** The sheet with one fact at another value, `section.fact` or `section.place.fact`; the sheet itself stays as it is. */
export function withFact(sheet: SheetDocument, path: string, text: string): SheetDocument {
  const [section = '', place = '', name] = path.split('.')
  if (name === undefined) return { ...sheet, [section]: { ...(sheet[section as keyof SheetDocument] as object | undefined), [place]: { text } } }
  const role = `${section}.${place}`
  const there = inPlace(sheet, role)
  const facts = { ...there[0]?.facts, [name]: { text } }
  const parts = there.length ? partsOf(sheet).map((part) => (part === there[0] ? { ...part, facts } : part)) : [...partsOf(sheet), { role, facts }]
  return { ...sheet, parts } as SheetDocument
}
