import type { Schemas, SheetDocument } from '../api/client'

/** A part as it stands in the sheet; without a role it lies on the yard. */
type AnyPart = NonNullable<Schemas['BuildDocument']['parts']>[number]
export type Part = Partial<Pick<AnyPart, 'name' | 'keep'>> & { id: string; kind: string; role?: string | null; facts?: Record<string, unknown> }

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
