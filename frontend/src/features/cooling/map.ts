import type { HeatMap } from '../../api/client'

export interface Frame {
  width: number
  height: number
}

/** Facts of the cooling that may be dragged, with the unit a dragged value is written in. */
export const DRAGGED: Record<string, string> = {
  'core.depth': 'm', 'core.width': 'm', 'core.height': 'm', 'fan.flow': 'm3/s', exit_area: 'm2', coolant_flow: 'm3/s', cap_pressure: 'Pa',
}

type Drawn = Required<Pick<HeatMap, 'x' | 'y' | 'lines'>> & HeatMap

/** Whether a map came whole. */
export function whole(map: HeatMap | null): map is Drawn {
  return Boolean(map && !map.missing && map.x && map.y && map.lines)
}

const span = (values: number[]): [number, number] => [values[0] ?? 0, values[values.length - 1] ?? 1]

/** Place of a point of the map's axes in a frame; y upwards. */
export function place(map: Drawn, frame: Frame, x: number, y: number): [number, number] {
  const [x0, x1] = span(map.x?.values ?? [])
  const [y0, y1] = span(map.y?.values ?? [])
  return [(frame.width * (x - x0)) / (x1 - x0), frame.height * (1 - (y - y0) / (y1 - y0))]
}

/** Path of one line of fill, broken where the fill is not met. */
export function linePath(map: Drawn, frame: Frame, ys: (number | null)[]): string {
  let open = false
  return ys.map((y, i) => {
    if (y === null) {
      open = false
      return ''
    }
    const [px, py] = place(map, frame, map.x?.values[i] ?? 0, y)
    const step = `${open ? 'L' : 'M'}${px.toFixed(1)} ${py.toFixed(1)}`
    open = true
    return step
  }).join('')
}

/** Outline of what is over the brim: above the limit where heat rises with y, below it where it falls. */
export function overPath(map: Drawn, frame: Frame): string {
  const limit = map.lines?.find((l) => l.fill === 1)?.y ?? []
  const edge = map.over_above ? 0 : frame.height
  const top = limit.map((y, i): [number, number] => {
    const x = map.x?.values[i] ?? 0
    const far = map.all_over?.[i] ? frame.height - edge : edge
    return y === null ? [place(map, frame, x, map.y?.values[0] ?? 0)[0], far] : place(map, frame, x, y)
  })
  if (!top.length) return ''
  const side = top.map(([x]) => [x, edge] as [number, number]).reverse()
  return [...top, ...side].map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join('') + 'Z'
}
