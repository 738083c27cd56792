import { h, type FunctionalComponent } from 'vue'

/** A column: what it says of a row, and how it is marked. The first with `head` names its row. */
export interface Column<Row> {
  key: string
  title: string
  show?: (row: Row) => string
  /** By what the rows are put in order when its head is pressed. */
  by?: (row: Row) => number | string | null
  head?: boolean
  /** Past a limit. */
  over?: (row: Row) => boolean
  mute?: boolean
  right?: boolean
}

type Key = number | string | null
/** Order of two, what is not known last. */
export function inOrder(a: Key, b: Key): number {
  if (a === null || b === null) return Number(a === null) - Number(b === null)
  return typeof a === 'number' && typeof b === 'number' ? a - b : String(a).localeCompare(String(b))
}

/** A cell that names its row is a head: the library knows only heads of columns. */
export const Cell: FunctionalComponent<{ scope?: string }> = (props, { slots }) => h(props.scope === 'row' ? 'th' : 'td', props, slots.default?.())
