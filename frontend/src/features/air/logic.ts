import type { View } from '../../api/client'

export type IntakeView = View<'air/intake'>
export type WaterView = View<'air/water'>
export type SpaceView = View<'air/space'>

/** The most that a place takes, new or at service [Pa]. */
const most = (place: IntakeView['places'][number]) => Math.max(place.service ?? 0, place.takes ?? 0)

/** What every place that is known takes together, at service [Pa]: the whole length of the drawing. */
export const whole = (places: IntakeView['places']) => places.filter((p) => p.takes !== null).reduce((sum, p) => sum + most(p), 0)

/** Bars of what each place takes, to one scale: what is known, in the order of the way in. */
export function bars(places: IntakeView['places'], width: number): { id: string; from: number; to: number; service: number }[] {
  const known = places.filter((p) => p.takes !== null)
  const scale = width / (whole(places) || 1)
  let x = 0
  return known.map((p) => {
    const from = x
    x += most(p) * scale
    return { id: p.id, from, to: from + (p.takes ?? 0) * scale, service: x }
  })
}

/** Height [m] that a drawing of water shows: the highest thing, or the wave, and a little air. */
export const tallest = (view: WaterView) => 1.15 * Math.max(view.depth + view.wave, 0.6, ...view.dry.map((d) => d.height ?? 0))
