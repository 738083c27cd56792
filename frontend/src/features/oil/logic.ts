import type { Schemas, View } from '../../api/client'

export type Point = [number, number]
export type TiltedPan = Schemas['TiltedPan']
export type PressureCurves = Schemas['PressureCurves']

/** Part of a polygon where `a x + b z <= d`. */
export function clip(points: Point[], a: number, b: number, d: number): Point[] {
  const over = (p: Point) => a * p[0] + b * p[1] - d
  return points.flatMap((p, i) => {
    const q = points[(i + 1) % points.length] as Point
    const [here, there] = [over(p), over(q)]
    const out: Point[] = here <= 0 ? [p] : []
    if (here <= 0 !== there <= 0) {
      const share = here / (here - there)
      out.push([p[0] + share * (q[0] - p[0]), p[1] + share * (q[1] - p[1])])
    }
    return out
  })
}

/** The outline with the crankcase's walls carried up from both ends of its rail. */
export function withCrankcase(outline: Point[], rise: number): Point[] {
  const top = Math.max(...outline.map((p) => p[1]))
  const rail = outline.filter((p) => Math.abs(p[1] - top) < 1e-9).map((p) => p[0])
  const ends = [Math.min(...rail), Math.max(...rail)]
  const at = outline.findIndex((p, i) => {
    const q = outline[(i + 1) % outline.length] as Point
    return [p, q].every((c) => Math.abs(c[1] - top) < 1e-9 && ends.includes(c[0])) && p[0] !== q[0]
  })
  if (at < 0) return outline
  const [p, q] = [outline[at] as Point, outline[(at + 1) % outline.length] as Point]
  return [...outline.slice(0, at + 1), [p[0], top + rise], [q[0], top + rise], ...outline.slice(at + 1)]
}

export const ROSE_G = 1.6

/** Where an acceleration stands on the rose, -1 to 1: braking up, a left turn to the left. */
export function onRose(forward: number, left: number): Point {
  return [-left / ROSE_G, forward / ROSE_G]
}

/** The acceleration at a place of the rose, held to its rim. */
export function fromRose(x: number, y: number): { forward: number; left: number } {
  const radius = Math.max(Math.hypot(x, y), 1)
  return { forward: (y / radius) * ROSE_G + 0, left: (-x / radius) * ROSE_G + 0 }
}

/** Outline of what the duty asks: braking, pulling and cornering joined by quarter ellipses. */
export function askedOutline(asked: TiltedPan['asked'], count = 48): Point[] {
  return Array.from({ length: count }, (_, i) => {
    const angle = (2 * Math.PI * i) / count
    const along = Math.cos(angle)
    return onRose(along * (along >= 0 ? asked.pulling : asked.braking), Math.sin(angle) * asked.cornering)
  })
}

export const path = (points: Point[]) => (points.length ? `M${points.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}Z` : '')

/** How an engine lies, in words: degrees turned about the upright, its front up, its left side up. */
export function lies(yaw: number, pitch: number, roll: number): { yaw: string; pitch: string; roll: string } {
  const by = (degrees: number) => `${Math.round(Math.abs(degrees) * 10) / 10}°`
  const turned = ((yaw % 360) + 360) % 360
  const near = (at: number) => Math.abs(turned - at) < 1 || Math.abs(turned - at) > 359
  const lengthwise = near(0) ? 'lengthwise' : near(180) ? 'facing back' : near(90) || near(270) ? 'transverse' : `turned ${by(yaw)}`
  return {
    yaw: lengthwise,
    pitch: Math.abs(pitch) < 0.05 ? 'level' : `tilted ${by(pitch)} ${pitch > 0 ? 'back' : 'forward'}`,
    roll: Math.abs(roll) < 0.05 ? 'upright' : `tilted ${by(roll)} ${roll > 0 ? 'right' : 'left'}`,
  }
}

export type Installed = View<'oil/installed'>
export type Projection = NonNullable<Installed['side']>
export type Circuit = View<'oil/circuit'>
export type Returns = View<'oil/returns'>
export type Sumps = View<'oil/sumps'>
export type Priming = View<'oil/priming'>

/** A view of the pan [mm], y down; from behind and from above the machine's left is on the left. */
export function onPage(points: readonly (readonly number[])[], mirrored: boolean): Point[] {
  return points.map(([x = 0, y = 0]): Point => [(mirrored ? -1000 : 1000) * x + 0, -1000 * y + 0])
}

/** Smallest box round several runs of points, with room about it. */
export function boxOf(runs: Point[][], room: number): { left: number; top: number; width: number; height: number } {
  const all = runs.flat()
  const xs = all.map((p) => p[0])
  const ys = all.map((p) => p[1])
  const [left, top] = [Math.min(...xs) - room, Math.min(...ys) - room]
  return { left, top, width: Math.max(...xs) + room - left, height: Math.max(...ys) + room - top }
}

/** Rows of an outline as they are typed, to a tenth of a millimetre. */
export function rowsOf(corners: readonly (readonly number[])[]): string {
  return corners.map(([x = 0, z = 0]) => `${(1000 * x).toFixed(1)} mm, ${(1000 * z).toFixed(1)} mm`).join('\n')
}

/** A corner put elsewhere [m], never over the rail; corners on the rail stay on it. */
export function moved(corners: readonly (readonly number[])[], index: number, to: Point): Point[] {
  return corners.map(([x = 0, z = 0], i): Point => (i === index ? [Math.max(to[0], 0), z === 0 ? 0 : Math.max(to[1], 0.005)] : [x, z]))
}

/** A corner more, half way along the side that begins at one. */
export function split(corners: readonly (readonly number[])[], index: number): Point[] {
  const all = corners.map(([x = 0, z = 0]): Point => [x, z])
  const p = all[index] ?? [0, 0]
  const q = all[(index + 1) % all.length] ?? p
  return [...all.slice(0, index + 1), [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2], ...all.slice(index + 1)]
}

/** Usual pans, as large as the one that is drawn (or a usual one): length, depth, on the same rail. */
export function presets(length: number, depth: number): Record<string, { label: string; facts: Record<string, number | string> }> {
  const shallow = 0.4 * depth
  const well = 0.45 * length
  return {
    rear_well: { label: 'Rear well', facts: { shape: 'rear_well', length, depth, well_length: well, shallow_depth: shallow } },
    front_well: { label: 'Front well', facts: { shape: 'front_well', length, depth, well_length: well, shallow_depth: shallow } },
    centre_well: { label: 'Centre well', facts: { shape: 'centre_well', length, depth, well_length: well, well_start: 0.5 * (length - well), shallow_depth: shallow } },
    box: { label: 'Full depth', facts: { shape: 'box', length, depth } },
    kicked: { label: 'Kicked out', facts: { shape: 'kicked', length, depth: 0.8 * depth, well_length: well, shallow_depth: shallow, kick_width: 0.06, kick_height: 0.3 * depth } },
    flat: { label: 'Flat, dry', facts: { shape: 'box', length, depth: Math.min(0.055, depth) } },
  }
}
