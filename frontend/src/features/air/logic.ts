import type { View } from '../../api/client'

export type IntakeView = View<'air/intake'>
export type WaterView = View<'air/water'>
export type SpaceView = View<'air/space'>

/** Bars of what each place takes, to one scale: what is known, widest first in nothing but their own order. */
export function bars(places: IntakeView['places'], width: number): { id: string; from: number; to: number; service: number }[] {
  const known = places.filter((p) => p.takes !== null)
  const whole = known.reduce((sum, p) => sum + Math.max(p.service ?? p.takes ?? 0, p.takes ?? 0), 0) || 1
  let x = 0
  return known.map((p) => {
    const from = x
    const most = Math.max(p.service ?? 0, p.takes ?? 0)
    x += (most / whole) * width
    return { id: p.id, from, to: from + ((p.takes ?? 0) / whole) * width, service: x }
  })
}

/** Height [m] that a drawing of water shows: the highest thing, or the wave, and a little air. */
export const tallest = (view: WaterView) => 1.15 * Math.max(view.depth + view.wave, 0.6, ...view.dry.map((d) => d.height ?? 0))
