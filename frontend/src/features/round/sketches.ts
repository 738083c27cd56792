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

export const SKETCHES: Record<string, Sketch[]> = {
  hand: [{
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
  }],
  stand: [{
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
  }, {
    title: 'Engine from its left, front to the left',
    view: '0 0 320 186',
    shapes: ['M60 60h130v60h-130z', 'M66 30h118v30h-118z', 'M60 120h130v44h-56v-24h-74z', 'M46 70h14v40h-14z', 'M190 46h30l14 14v62l-14 16h-30z', 'M234 66h60v46h-60z', 'M24 90h290'],
    lines: ['M46 18h144', 'M36 30v60', 'M164 90v74', 'M96 90v50', 'M134 174h56', 'M210 90v48', 'M234 124h60', 'M190 38h44', 'M52 70v20', 'M284 66v24', 'M262 90v22'],
    datum: 'From the crank’s centre line and the bell’s face.',
    marks: [
      { path: 'fit.unit.length', x: 112, y: 14 },
      { path: 'fit.unit.cover', x: 22, y: 62 },
      { path: 'fit.unit.pan', x: 170, y: 156 },
      { path: 'fit.unit.pan_shallow', x: 84, y: 134 },
      { path: 'fit.unit.well_length', x: 157, y: 186 },
      { path: 'fit.unit.bell', x: 214, y: 132 },
      { path: 'fit.unit.pulley', x: 38, y: 80 },
      { path: 'fit.gearcase.length', x: 258, y: 138 },
      { path: 'fit.gearcase.bell_length', x: 206, y: 34 },
      { path: 'fit.gearcase.up', x: 290, y: 82 },
      { path: 'fit.gearcase.down', x: 266, y: 106 },
    ],
  }, {
    title: 'Engine from the flywheel, left is left',
    view: '0 0 300 170',
    shapes: ['M116 50h68v76h-68z', 'M122 126h56v34h-56z', 'M124 24h52v26h-52z', 'M74 62h42v28h-42z', 'M184 68h44v28h-44z', 'M150 61a40 40 0 1 0 .1 0z', 'M150 14v150'],
    lines: ['M74 112h76', 'M150 118h78', 'M116 42h34', 'M66 76v24', 'M236 82v18'],
    datum: 'From the crank’s centre: across, and up to the middle of what stands out.',
    marks: [
      { path: 'fit.unit.left', x: 88, y: 126 },
      { path: 'fit.unit.right', x: 200, y: 132 },
      { path: 'fit.unit.block', x: 128, y: 38 },
      { path: 'fit.unit.left_height', x: 50, y: 94 },
      { path: 'fit.unit.right_height', x: 242, y: 96 },
    ],
  }, {
    title: 'Hung and held, front to the left',
    view: '0 0 320 190',
    shapes: ['M60 80h130v50h-130z', 'M190 76h28l12 14v42l-12 12h-28z', 'M230 86h66v40h-66z', 'M20 105h290', 'M84 80v-12h8v12zM168 80v-12h8v12z', 'M88 68l40 -44l44 44', 'M128 24v-16', 'M112 134h16v12h-16z', 'M276 126h16v12h-16z', 'M128 105a5 5 0 1 0 .1 0z'],
    lines: ['M190 40h-62', 'M190 54h-102', 'M190 62h-18', 'M140 24v44', 'M100 68v37', 'M120 154h70', 'M190 166h94', 'M104 105v35', 'M128 118h62'],
    datum: 'From the bell’s face and the crank’s line, engine level.',
    marks: [
      { path: 'weights.ring_ahead', x: 154, y: 36 },
      { path: 'weights.lift_front', x: 70, y: 50 },
      { path: 'weights.lift_rear', x: 194, y: 66 },
      { path: 'weights.ring', x: 122, y: 50 },
      { path: 'weights.lift_over', x: 86, y: 96 },
      { path: 'weights.unit_ahead', x: 150, y: 130 },
      { path: 'mounts.side_ahead', x: 150, y: 164 },
      { path: 'mounts.tail_behind', x: 232, y: 180 },
      { path: 'mounts.side_over', x: 88, y: 126 },
    ],
  }],
  above: [{
    title: 'Bay from above, front left',
    view: '0 0 300 140',
    shapes: ['M30 20h14v100h-14z', 'M50 34h18v72h-18z', 'M110 30h150v80h-150z', 'M98 52h12v36h-12z'],
    lines: ['M30 130h68', 'M18 20v100'],
    datum: 'From the front face of the core to the first moving thing, square across.',
    marks: [
      { path: 'installation.depth_available', x: 56, y: 127 },
      { path: 'installation.opening_width', x: 4, y: 74 },
    ],
  }, {
    title: 'Bay from its left, front to the left',
    view: '0 0 310 170',
    shapes: ['M20 34h240', 'M26 24l228 -12', 'M30 34v116', 'M250 8v142', 'M30 96h220v10h-220z', 'M32 44h18v72h-18z', 'M98 70h120v42h-120z', 'M0 154h310', 'M250 20l-70 84'],
    lines: ['M30 62h220', 'M276 34v120', 'M242 13v21', 'M64 22v12', 'M112 106v48', 'M30 130h20', 'M30 84h68', 'M42 44v110', 'M258 20v134'],
    datum: 'From a straight edge across the wings; heights from the floor by the edge’s own.',
    marks: [
      { path: 'fit.bay.length', x: 146, y: 58 },
      { path: 'fit.bay.edge', x: 282, y: 98 },
      { path: 'fit.bay.bonnet_rear', x: 226, y: 30 },
      { path: 'fit.bay.bonnet_front', x: 70, y: 20 },
      { path: 'fit.bay.rail_top', x: 118, y: 140 },
      { path: 'fit.bay.stack_depth', x: 14, y: 146 },
      { path: 'fit.from_panel', x: 62, y: 80 },
      { path: 'fit.bay.stack_top', x: 52, y: 146 },
      { path: 'fit.steering.column_height', x: 262, y: 52 },
    ],
  }, {
    title: 'Bay from above, front to the left',
    view: '0 0 300 160',
    shapes: ['M30 20v120', 'M250 20v120', 'M30 44h220v8h-220z', 'M30 108h220v8h-220z', 'M30 22h220M30 138h220', 'M90 64h120v32h-120z', 'M20 80h260', 'M250 98l-80 -2', 'M34 58h14v44h-14z'],
    lines: ['M226 52v56', 'M240 22v116', 'M41 58v44', 'M256 80v18', 'M170 80v16'],
    datum: 'Across, from the middle line.',
    marks: [
      { path: 'fit.bay.rails', x: 212, y: 74 },
      { path: 'fit.bay.wings', x: 244, y: 36 },
      { path: 'fit.bay.stack_width', x: 52, y: 76 },
      { path: 'fit.steering.column_left', x: 262, y: 94 },
      { path: 'fit.steering.column_foot', x: 156, y: 92 },
      { path: 'fit.crank_left', x: 84, y: 78 },
    ],
  }],
  under: [{
    title: 'Under it, loaded, wheels down',
    view: '0 0 300 130',
    shapes: ['M20 20h250v12h-250z', 'M70 32h80v30h-80z', 'M180 40h90v12h-90z', 'M0 112h300', 'M46 88a24 24 0 1 0 .1 0z'],
    lines: ['M110 62v50', 'M226 52v60'],
    datum: 'From the floor, plumb, to the lowest point.',
    marks: [
      { path: 'installation.pan_ground', x: 116, y: 92 },
      { path: 'installation.exhaust_ground', x: 232, y: 92 },
    ],
  }, {
    title: 'Underneath from its left, front to the left',
    view: '0 0 310 170',
    shapes: ['M30 16v120', 'M140 12v134', 'M118 74h46v16h-46z', 'M98 104a7 7 0 1 0 .1 0z', 'M60 40h130v30h-130z', 'M210 30h90', 'M0 148h310'],
    lines: ['M30 26h110', 'M118 66h22', 'M140 98h24', 'M152 74v74', 'M98 122h42', 'M92 111v37', 'M280 30v118', 'M60 55v93'],
    datum: 'From the axle line chalked on the floor, and from the floor.',
    marks: [
      { path: 'fit.bay.panel_ahead', x: 82, y: 22 },
      { path: 'fit.bay.member_front', x: 120, y: 62 },
      { path: 'fit.bay.member_rear', x: 146, y: 112 },
      { path: 'fit.bay.member_top', x: 156, y: 138 },
      { path: 'fit.steering.rack_ahead', x: 112, y: 136 },
      { path: 'fit.steering.rack_height', x: 78, y: 136 },
      { path: 'fit.bay.tunnel_roof', x: 286, y: 92 },
      { path: 'fit.crank_height', x: 46, y: 106 },
      { path: 'fit.bay.beam_top', x: 170, y: 138 },
    ],
  }],
  tank: [{
    title: 'Tank and pump',
    view: '0 0 300 130',
    shapes: ['M20 40h150v60h-150z', 'M20 72h150', 'M220 22h34v24h-34z', 'M150 90v-60h70'],
    lines: ['M190 34v38'],
    datum: 'Plumb, from the lowest fuel level to the pump’s inlet; below it is negative.',
    marks: [
      { path: 'fuel.suction_lift', x: 196, y: 58 },
      { path: 'fuel.suction.length', x: 176, y: 24 },
    ],
  }],
}

/** Letters of a place's list: those with a mark in its sketches get one, in the order they are listed; after Z with a 2. */
export function letters(place: string, paths: string[]): Record<string, string> {
  const marked = new Set(SKETCHES[place]?.flatMap((s) => s.marks.map((m) => m.path)) ?? [])
  const found: Record<string, string> = {}
  for (const path of paths.filter((p) => marked.has(p))) {
    const n = Object.keys(found).length
    found[path] = String.fromCharCode(65 + (n % 26)) + (n < 26 ? '' : '2')
  }
  return found
}
