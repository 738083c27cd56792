import type { View } from '../../api/client'

export type Ledger = View<'weights/ledger'>
export type Lifting = View<'weights/lifting'>
export type Moments = View<'weights/moments'>
type Point = [number, number]

const MM = 1000

/** Where things lie along the machine, front to the left: arms [m] to a width of the page. */
export function along(data: Ledger, width: number): (arm: number) => number {
  const arms = [0, data.wheelbase, data.cg_x, data.stripped_x, ...data.lines.map((l) => l.arm), ...(data.stands ?? [])]
  const low = Math.min(...arms)
  const span = Math.max(...arms) - low || 1
  return (arm) => 30 + ((width - 60) * (arm - low)) / span
}

/** Ticks that would stand on one another are set a step farther out each. */
export function steps(at: number[], room: number): number[] {
  const found: number[] = []
  const order = at.map((x, i) => [x, i] as const).sort((a, b) => a[0] - b[0])
  const last: number[] = []
  for (const [x, i] of order) {
    let step = last.findIndex((before) => x - before >= room)
    if (step < 0) step = last.length
    last[step] = x
    found[i] = step
  }
  return found
}

/** A place on the hung unit (ahead, over) [m], tilted about its ring, as it is seen [mm], front to the left. */
export function hung(data: Lifting, [ahead, over]: readonly [number, number], tilted: boolean): Point {
  const [rx, rz] = data.ring
  if (!tilted) return [-MM * ahead, -MM * over]
  const c = Math.cos(data.tilt)
  const s = Math.sin(data.tilt)
  const x = ahead - rx
  const z = over - rz
  // Front up: what lies ahead of the ring rises.
  return [-MM * (rx + c * x - s * z), -MM * (rz + s * x + c * z)]
}

/** Scales of a plot of mass over arm that holds the envelope and all states; [x, y] of the page. */
export function moments(data: Moments, width: number, height: number): (arm: number, mass: number) => Point {
  const points = [...data.envelope, ...data.states.map((s): [number, number] => [s.arm, s.mass])]
  const range = (values: number[], least: number) => {
    const low = Math.min(...values)
    const high = Math.max(...values)
    const more = Math.max(0.12 * (high - low), least)
    return [low - more, high + more] as const
  }
  const [x0, x1] = range(points.map((p) => p[0] ?? 0), 0.01)
  const [y0, y1] = range(points.map((p) => p[1] ?? 0), 5)
  return (arm, mass) => [40 + ((width - 50) * (arm - x0)) / (x1 - x0), height - 30 - ((height - 40) * (mass - y0)) / (y1 - y0)]
}
