/** Stations that exist, in the order of work. A new one is a folder, a route and a line here. */
export interface Station {
  id: string
  title: string
}

export const STATIONS: Station[] = [
  { id: 'duties', title: 'Machine' },
  { id: 'engine', title: 'Engine' },
  { id: 'cooling', title: 'Cooling' },
  { id: 'fuel', title: 'Fuel' },
]
