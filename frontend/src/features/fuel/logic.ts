import type { Schemas, View } from '../../api/client'

export type Part = Schemas['CircuitPart']
export type Circuit = View<'fuel/circuit'>

export interface Placed {
  part: Part
  x: number
  y: number
}

export interface Layout {
  height: number
  rows: Placed[][]
  injectors: Placed | null
  back: Placed[]
  tank: Placed | null
}

export const WIDTH = 500
const COLUMNS = [160, 298, 428]
const TOP = 62
const PITCH = 126

/** Places every part: the feed in rows of three, like lines of writing; the return under them, back to the tank. */
export function layout(circuit: Circuit): Layout {
  const parts = circuit.parts
  const find = (id: string) => parts.find((p) => p.id === id)
  const dead = circuit.rail_kind === 'dead_headed'
  const feed = parts.filter((p) => !['tank', 'injectors', 'return'].includes(p.id) && (dead || p.id !== 'regulator'))
  // Behind a lift pump a new row begins, so that the pot, or the main pump, stands first in it.
  const ahead = circuit.lift_kind === 'none' ? 0 : feed.findIndex((p) => p.id === 'pot' || p.id === 'pump')
  const rows = [...chunks(feed.slice(0, ahead)), ...chunks(feed.slice(ahead))].map((row, i) => row.map((part, k): Placed => ({ part, x: COLUMNS[k] ?? 0, y: TOP + PITCH * i })))
  const last = TOP + PITCH * (rows.length - 1)
  const end = rows.at(-1)?.find((p) => p.part.id === 'end')
  const injectors = find('injectors')
  const tank = find('tank')
  const back = [find('return'), dead ? undefined : find('regulator')].filter((p): p is Part => p !== undefined)
  const low = last + (injectors ? PITCH + 8 : 108)
  return {
    height: (back.length ? low : last) + 76 + (injectors && !back.length ? 16 : 0),
    rows,
    injectors: injectors && end ? { part: injectors, x: end.x, y: end.y + 32 } : null,
    back: back.map((part, i) => ({ part, x: COLUMNS[i] ?? 0, y: low })),
    tank: tank ? { part: tank, x: 46, y: TOP } : null,
  }
}

const chunks = (parts: Part[]) => Array.from({ length: Math.ceil(parts.length / COLUMNS.length) }, (_, i) => parts.slice(COLUMNS.length * i, COLUMNS.length * (i + 1)))

/** The pipe from tank to engine, row by row. */
export function feedPath(laid: Layout): string {
  return laid.rows.map((row, i) => {
    const y = row[0]?.y ?? 0
    const next = laid.rows[i + 1]?.[0]?.y
    const from = i === 0 ? `M84 ${y}` : ''
    return next === undefined ? `${from}H${row.at(-1)?.x ?? 0}` : `${from}H${WIDTH - 10}V${next - 46}H92V${next}`
  }).join('')
}

/** The way back: from the engine, or the regulator at the tank, under it all into the tank or the pot. */
export function backPath(laid: Layout, dead: boolean): string {
  const low = laid.back[0]?.y
  const all = laid.rows.flat()
  const end = all.find((p) => p.part.id === 'end')
  if (low === undefined || !end) return ''
  const pot = laid.back.find((p) => p.part.id === 'return')?.part.to === 'pot' ? all.find((p) => p.part.id === 'pot') : undefined
  const into = pot ? `H104V${pot.y + 14}H${pot.x - 20}` : `H46V${TOP + 40}`
  const regulator = dead ? all.find((p) => p.part.id === 'regulator') : undefined
  return regulator ? `M${regulator.x} ${regulator.y + 16}V${low}${into}` : `M${end.x + 40} ${end.y}H${WIDTH - 4}V${low}${into}`
}

/** What runs over the pot, back to the tank. */
export function overPath(laid: Layout): string {
  const pot = laid.rows.flat().find((p) => p.part.id === 'pot')
  return pot ? `M${pot.x - 20} ${pot.y - 10}H64V${TOP + 40}` : ''
}

type Show = (si: number | null | undefined, kind: string) => string

/** What is written at a part: two lines or three. */
export function words(part: Part, show: Show): string[] {
  const flow = show(part.flow, 'flow_fuel')
  const over = (p: number | null | undefined) => show(p, 'pressure_gauge')
  switch (part.id) {
    case 'tank':
      return [`gives ${flow}`]
    case 'suction':
    case 'pot_hose':
      return [run(part, show), `${over(part.pressure)} at the pump`, `${show(part.margin, 'pressure_difference')} over boiling`]
    case 'lift':
    case 'pump': {
      const driven = part.volts == null ? [] : [`${show(part.volts, 'voltage')}, ${show(part.amps, 'current')}`]
      return [flow, `lifts ${show(part.gain, 'pressure_difference')}`, ...driven]
    }
    case 'pot':
      return [`gives up ${flow}`, `${show(part.over, 'flow_fuel')} runs over`]
    case 'filter':
      return [`takes ${show(part.drop, 'pressure_difference')}`]
    case 'water':
      return ['drain it']
    case 'regulator':
      return [`holds ${over(part.pressure)}`, `${flow} back`]
    case 'end':
      return [`${over(part.pressure)} there`, `takes ${flow}`, ...(part.lasts == null ? [] : [`bowl lasts ${show(part.lasts, 'time')}`])]
    case 'injectors':
      return [`open ${percent(part.share ?? undefined)} of ${percent(part.ceiling ?? undefined)}`]
    case 'return':
      return [run(part, show), `stands at ${show(part.drop, 'pressure_difference')}`, `comes at ${show(part.temperature, 'temperature')}`]
    default:
      return [run(part, show), `takes ${show(part.drop, 'pressure_difference')}`]
  }
}

const run = (part: Part, show: Show) => `${show(part.flow, 'flow_fuel')}, ${show(part.speed, 'speed_m_s')}`
const percent = (share: number | undefined) => (share === undefined ? '—' : `${Math.round(100 * share)} %`)

/** Hours and minutes, or days, as one speaks of a tank. */
export function lasting(seconds: number | null): string {
  if (seconds === null) return '—'
  const minutes = Math.round(seconds / 60)
  if (minutes < 90) return `${minutes} min`
  const hours = Math.floor(minutes / 60)
  return hours < 72 ? `${hours} h ${minutes % 60} min` : `${Math.round(hours / 24)} days`
}
