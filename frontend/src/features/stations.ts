/** A station of the rail: each folder with a `station.ts` is one, sorted by `order`, the order of work. Its colour stands
 * in the folder's `station.css`. */
export interface Station {
  id: string
  title: string
  order: number
  load: () => Promise<unknown>
}

import.meta.glob('./*/station.css', { eager: true })
const found = import.meta.glob<Station>('./*/station.ts', { eager: true, import: 'default' })
export const STATIONS: Station[] = Object.values(found).sort((a, b) => a.order - b.order)
