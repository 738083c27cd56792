/** A station of the rail: each folder with a `station.ts` is one, sorted by `order` within its group. Its colour stands
 * in the folder's `station.css`. */
export type Group = 'machine' | 'feeds' | 'drives' | 'floor' | 'paper'
export interface Station {
  id: string
  title: string
  group: Group
  /** After `g`, the key that leads there. */
  key: string
  order: number
  load: () => Promise<unknown>
}

/** The places of the work, in its order. */
export const GROUPS: Record<Group, string> = {
  machine: 'The machine',
  feeds: 'What feeds and cools it',
  drives: 'What drives and steers it',
  floor: 'On the floor',
  paper: 'On paper',
}

import.meta.glob('./*/station.css', { eager: true })
const found = import.meta.glob<Station>('./*/station.ts', { eager: true, import: 'default' })
const places = Object.keys(GROUPS)
export const STATIONS: Station[] = Object.values(found).sort((a, b) => places.indexOf(a.group) - places.indexOf(b.group) || a.order - b.order)

/** Pages that are no stations, where they stand in the rail. */
export type Page = Omit<Station, 'order'> & {
  /** It has several drawings, one of them in the address. */
  views?: boolean
}
export const PAGES: Page[] = [
  { id: 'order', title: 'Order of work', group: 'floor', key: 's', views: true, load: () => import('./order/OrderPage.vue') },
  { id: 'start', title: 'First start', group: 'floor', key: 'a', views: true, load: () => import('./start/StartPage.vue') },
  { id: 'readings', title: 'Readings', group: 'floor', key: 'j', views: true, load: () => import('./readings/ReadingsPage.vue') },
  { id: 'round', title: 'Measuring round', group: 'floor', key: 'r', load: () => import('./round/RoundPage.vue') },
  { id: 'yard', title: 'Yard', group: 'floor', key: 'y', load: () => import('./yard/YardPage.vue') },
  { id: 'need', title: 'Need sheet', group: 'paper', key: 'n', load: () => import('./need/NeedPage.vue') },
]
export const BENCH = { id: 'bench', title: 'Bench', key: 'b' }
/** All that the rail leads to, from top to bottom. */
export const STOPS: Page[] = [...STATIONS, ...PAGES]
