import type { Schemas } from '../../api/client'

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
