import type { View } from '../../api/client'

export type ThrottleView = View<'controls/throttle'>
export type VacuumView = View<'controls/vacuum'>
export type ClutchView = View<'controls/clutch'>
export type ShifterView = View<'controls/shifter'>
export type SteeringView = View<'controls/steering'>
export type AidsView = View<'controls/aids'>
type Say = (v: number, kind: string) => string

/** How far the throttle opens. */
export function throttleSaid(view: ThrottleView, say: Say): string {
  if (view.by === 'pedal') return view.sweep === null || view.wants === null ? 'A sensor at the pedal: sweep it through both tracks before there is fuel.' : `The pedal turns its sensor ${say(view.sweep, 'angle')}; full throttle asks ${say(view.wants, 'angle')}.`
  if (view.cable !== null && view.cable_way !== null && view.cable < view.cable_way) return `The cable is ${say(view.cable_way - view.cable, 'size')} too short for its way.`
  if (view.opened === null || view.left === null) return 'How far the pedal opens it is not known.'
  if (view.left < 0) return `The pedal opens it ${say(view.opened, 'angle')} of ${say(view.whole, 'angle')}${view.right === null ? '' : `: a wheel of ${say(view.right, 'size')} would be right`}.`
  return `The pedal opens it fully, ${say(view.left, 'size')} of cable to spare.`
}

export const throttleBad = (view: ThrottleView) =>
  (view.left ?? 0) < 0 || (view.cable !== null && view.cable_way !== null && view.cable < view.cable_way) || (view.sweep !== null && view.wants !== null && view.sweep < view.wants) || (view.springs !== null && view.springs < 2) || (view.rocks !== null && view.rocks > view.slack)

/** Whole applications, as a builder counts them. */
export const times = (v: number) => String(Math.floor(v + 1e-9))

export function vacuumSaid(view: VacuumView, say: Say): string {
  if (view.helped === 'none') return 'The brakes are not helped.'
  if (view.helped === 'fluid') return 'The brakes are helped by fluid: the steering pump or an electric one keeps them, its accumulator is what is left when the engine dies.'
  if (view.why) return `${view.why}.`
  const own = view.rows.find((r) => r.stated)
  if (!own) return `Vacuum idling is not stated: ${times(view.wished)} whole applications are kept with the engine dead.`
  return `${times(own.sea)} whole applications with the engine dead, ${times(own.high)} at ${say(view.height, 'distance')}; ${times(view.wished)} are kept.`
}

export function clutchSaid(view: ClutchView, say: Say): string {
  if (view.moves === null) return 'The clutch pedal is not stated.'
  const way = view.asked === null ? `The pedal moves the bearing ${say(view.moves, 'size')}` : `The pedal moves the bearing ${say(view.moves, 'size')} of ${say(view.asked, 'size')} asked`
  return `${way}${view.pad === null ? '; how heavy is not known' : `, with ${say(view.pad, 'force')} at the pad`}.`
}

export function shifterSaid(view: ShifterView, say: Say): string {
  const tight = [...view.gears].filter((g) => g.room !== null).sort((a, b) => (a.room ?? 0) - (b.room ?? 0))[0]
  const off = view.off_behind === null ? '' : ` The gearbox puts it ${say(Math.abs(view.off_behind), 'size')} too far ${view.off_behind < 0 ? 'forward' : 'back'}.`
  if (view.throw === null) return `Lever and selector are not stated.${off}`
  const room = tight?.room == null ? '' : tight.room < 0 ? `; in ${tight.gear} it meets what is ${tight.against}` : `; least room in ${tight.gear}, ${say(tight.room, 'size')} to what is ${tight.against}`
  return `The knob goes ${say(view.throw, 'size')} from neutral${room}.${off}`
}

export function steeringSaid(view: SteeringView, say: Say): string {
  const found = [
    ...(view.ripple === null ? [] : [`The column turns ${say(view.ripple, 'share')} heavier and lighter round, its joints bend ${view.bends.map((b) => say(b, 'angle')).join(' and ')}`]),
    ...(view.toe.length ? [`a bump of ${say(view.bump, 'size')} steers a wheel ${say(toeAt(view), 'angle')}`] : []),
  ]
  const said = found.join('; ')
  return said ? `${said.charAt(0).toUpperCase()}${said.slice(1)}.` : 'Nothing altered is stated.'
}

/** Most toe within the bump stated, up or down. */
export function toeAt(view: SteeringView): number {
  return Math.max(0, ...view.toe.filter((_, i) => Math.abs(view.travel[i] ?? 0) <= view.bump * 1.0001).map(Math.abs))
}

/** What is drawn round a knob [m], forward up: half width and half height. */
export function knobBox(view: ShifterView): { wide: number; high: number } {
  const wide = Math.max(0.09, ...view.gears.map((g) => Math.abs(g.right) + 0.05), (view.left ?? 0) + 0.02, (view.right ?? 0) + 0.02)
  const high = Math.max(0.09, ...view.gears.map((g) => Math.abs(g.ahead) + 0.05), (view.ahead ?? 0) + 0.02, (view.behind ?? 0) + 0.02)
  return { wide: Math.min(wide, 0.3), high: Math.min(high, 0.25) }
}
