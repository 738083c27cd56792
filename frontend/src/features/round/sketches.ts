/** Datum sketches of the places one stands at: what is measured from where. Drawn, not to scale. */
export interface Mark {
  /** Path of the fact, and where its letter stands. */
  path: string
  x: number
  y: number
}

export interface Sketch {
  title: string
  view: string
  /** Outlines, then dimension lines. */
  shapes: string[]
  lines: string[]
  datum: string
  marks: Mark[]
}

export const SKETCHES: Record<string, Sketch> = {
  hand: {
    title: 'Core and fan',
    view: '0 0 300 150',
    shapes: ['M30 25h120v90h-120z', 'M30 45h120M30 65h120M30 85h120', 'M190 25h18v90h-18z', 'M226 40h22v60h-22z'],
    lines: ['M30 130h120', 'M14 25v90', 'M190 14h18', 'M262 40v60'],
    datum: 'Finned part only, not the tanks.',
    marks: [
      { path: 'cooling.core.width', x: 86, y: 145 },
      { path: 'cooling.core.height', x: 0, y: 74 },
      { path: 'cooling.core.depth', x: 194, y: 10 },
      { path: 'cooling.fan.diameter', x: 268, y: 74 },
      { path: 'cooling.core.fin_count', x: 86, y: 60 },
    ],
  },
  stand: {
    title: 'Pan from the side, flywheel end left',
    view: '0 0 300 160',
    shapes: ['M30 30h220v40h-130v60h-90z', 'M70 122h14v-62'],
    lines: ['M30 16h220', 'M16 30v100', 'M30 146h90', 'M264 30v40', 'M30 96h47', 'M92 122v8'],
    datum: 'All from the rail and its flywheel end.',
    marks: [
      { path: 'oil.pan.length', x: 136, y: 12 },
      { path: 'oil.pan.depth', x: 2, y: 86 },
      { path: 'oil.pan.well_length', x: 70, y: 158 },
      { path: 'oil.pan.shallow_depth', x: 268, y: 56 },
      { path: 'oil.pickup.x', x: 46, y: 92 },
      { path: 'oil.pickup.clearance', x: 96, y: 130 },
    ],
  },
  above: {
    title: 'Bay from above, front left',
    view: '0 0 300 140',
    shapes: ['M30 20h14v100h-14z', 'M50 34h18v72h-18z', 'M110 30h150v80h-150z', 'M98 52h12v36h-12z'],
    lines: ['M30 130h68', 'M18 20v100'],
    datum: 'From the front face of the core to the first moving thing, square across.',
    marks: [
      { path: 'installation.depth_available', x: 56, y: 127 },
      { path: 'installation.opening_width', x: 4, y: 74 },
    ],
  },
  under: {
    title: 'Under it, loaded, wheels down',
    view: '0 0 300 130',
    shapes: ['M20 20h250v12h-250z', 'M70 32h80v30h-80z', 'M180 40h90v12h-90z', 'M0 112h300', 'M46 88a24 24 0 1 0 .1 0z'],
    lines: ['M110 62v50', 'M226 52v60'],
    datum: 'From the floor, plumb, to the lowest point.',
    marks: [
      { path: 'installation.pan_ground', x: 116, y: 92 },
      { path: 'installation.exhaust_ground', x: 232, y: 92 },
    ],
  },
  tank: {
    title: 'Tank and pump',
    view: '0 0 300 130',
    shapes: ['M20 40h150v60h-150z', 'M20 72h150', 'M220 22h34v24h-34z', 'M150 90v-60h70'],
    lines: ['M190 34v38'],
    datum: 'Plumb, from the lowest fuel level to the pump’s inlet; below it is negative.',
    marks: [
      { path: 'fuel.suction_lift', x: 196, y: 58 },
      { path: 'fuel.suction.length', x: 176, y: 24 },
    ],
  },
}

/** Letters of a place's list: those with a mark in its sketch get one, in the order they are listed. */
export function letters(place: string, paths: string[]): Record<string, string> {
  const marked = new Set(SKETCHES[place]?.marks.map((m) => m.path) ?? [])
  const found: Record<string, string> = {}
  for (const path of paths) if (marked.has(path)) found[path] = String.fromCharCode(65 + Object.keys(found).length)
  return found
}
