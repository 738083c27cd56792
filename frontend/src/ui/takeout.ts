import { saveText } from './save'

/** A drawing or a table on the page, by what it is called. */
export interface Shown {
  kind: 'drawing' | 'table'
  name: string
  element: Element
}

/** What a name begins with, up to its figures. */
const brief = (said: string | null | undefined, other: string) => (said ?? '').split(/[:;,]/)[0]?.trim() || other

/** Every drawing and table of a part of the page that is in sight. */
export function shownIn(root: ParentNode): Shown[] {
  const drawings = [...root.querySelectorAll('svg[role=img], .drawing svg, [role=img] svg')].map((element): Shown => ({ kind: 'drawing', name: brief(element.closest('[aria-label]')?.getAttribute('aria-label'), 'Drawing'), element }))
  const tables = [...root.querySelectorAll('table')].map((element): Shown => ({ kind: 'table', name: brief(element.closest('[aria-label]')?.getAttribute('aria-label') ?? element.caption?.textContent, 'Table'), element }))
  return [...drawings, ...tables].filter(({ element }) => element.getClientRects().length > 0)
}

const clean = (text: string) => text.replace(/\s+/g, ' ').trim()
/** What stands in a cell: a well says its name and figure. */
const inCell = (cell: Element) => clean((cell as HTMLElement).innerText || (cell.querySelector('[role=img]')?.getAttribute('aria-label') ?? ''))
/** Cells of a table as they are read. */
export const cellsOf = (table: Element): string[][] => [...table.querySelectorAll('tr')].map((row) => [...row.children].map(inCell)).filter((row) => row.some(Boolean))

export const asTsv = (rows: string[][]): string => rows.map((row) => row.map((cell) => cell.replaceAll('\t', ' ')).join('\t')).join('\n')
const quoted = (cell: string) => (/[",\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell)
/** RFC 4180. What a spreadsheet would take for a formula is text. */
export const asCsv = (rows: string[][]): string => rows.map((row) => row.map((cell) => quoted(/^[=+@]|^-\D/.test(cell) ? `'${cell}` : cell)).join(',')).join('\r\n') + '\r\n'

const STYLES = ['fill', 'fill-opacity', 'stroke', 'stroke-width', 'stroke-dasharray', 'stroke-linecap', 'opacity', 'font-family', 'font-size', 'font-weight', 'text-anchor', 'display', 'visibility']

/** A drawing as a file of its own: with the colours and letters it has on the page, on the page's paper. */
export function asSvg(drawing: SVGSVGElement): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement
  const [from, to] = [[drawing, ...drawing.querySelectorAll('*')], [copy, ...copy.querySelectorAll('*')]]
  from.forEach((element, i) => {
    const style = getComputedStyle(element)
    for (const name of STYLES) to[i]?.setAttribute(name, style.getPropertyValue(name))
    to[i]?.removeAttribute('class')
    to[i]?.removeAttribute('style')
  })
  const box = drawing.viewBox.baseVal
  const [width, height] = box?.width ? [box.width, box.height] : [drawing.clientWidth, drawing.clientHeight]
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('width', String(width))
  copy.setAttribute('height', String(height))
  const paper = document.createElementNS('http://www.w3.org/2000/svg', 'rect')
  const at = { x: box?.x ?? 0, y: box?.y ?? 0, width, height, fill: getComputedStyle(document.documentElement).getPropertyValue('--card').trim() }
  for (const [name, value] of Object.entries(at)) paper.setAttribute(name, String(value))
  copy.prepend(paper)
  return new XMLSerializer().serializeToString(copy)
}

export const saveDrawing = (shown: Shown, of: string): void => saveText(asSvg(shown.element as SVGSVGElement), 'image/svg+xml', `${of} ${shown.name}`, '.svg')
export const saveTable = (shown: Shown, of: string): void => saveText(asCsv(cellsOf(shown.element)), 'text/csv', `${of} ${shown.name}`, '.csv')
export const copyTable = (shown: Shown): Promise<void> => navigator.clipboard.writeText(asTsv(cellsOf(shown.element)))
