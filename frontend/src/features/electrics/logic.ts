import type { View } from '../../api/client'

export type LoadsView = View<'electrics/loads'>
export type ColdView = View<'electrics/cold'>
export type WiresView = View<'electrics/wires'>
export type SignalsView = View<'electrics/signals'>
export type SendersView = View<'electrics/senders'>
export type SpeedView = View<'electrics/speed'>
export type SignalRow = SignalsView['groups'][number]['rows'][number]
export type ChoicesView = View<'electrics/choices'>
export type StateRow = LoadsView['states'][number]
type Show = (v: number, kind: string) => string

/** How long, as a builder says it: minutes, hours or days. */
export function lasts(seconds: number): string {
  if (seconds < 90 * 60) return `${Math.round(seconds / 60)} min`
  if (seconds < 48 * 3600) return `${Math.round(seconds / 3600)} h`
  return `${Math.round(seconds / 86400)} days`
}

/** The states that are bars against the alternator, and those that only draw. */
export const RUNNING = ['idle', 'idle_night', 'cruise', 'cruise_night']
export const running = (view: LoadsView) => view.states.filter((s) => RUNNING.includes(s.id))
export const resting = (view: LoadsView) => view.states.filter((s) => !RUNNING.includes(s.id) && s.draws > 0)
/** What all bars are drawn against [A]. */
export const most = (view: LoadsView) => Math.max(1, ...view.states.filter((s) => RUNNING.includes(s.id)).flatMap((s) => [s.draws, s.gives ?? 0])) * 1.08

export function chargeSaid(view: LoadsView, show: Show): string {
  const cruise = view.states.find((s) => s.id === 'cruise_night')
  const idle = view.states.find((s) => s.id === 'idle_night')
  if (!cruise || !idle) return ''
  if (cruise.gives === null) return `${show(cruise.draws, 'current')} drawn under way on a wet night: the alternator’s plate is not stated.`
  if (cruise.battery > 0) return `Under way on a wet night the battery gives ${show(cruise.battery, 'current')}: it does not keep its charge.`
  if (idle.battery > 0) return `It keeps its charge under way; idling on a wet night costs ${show(view.idled ?? 0, 'charge')} in ${lasts(view.idles_for)}.`
  return 'It keeps its charge, idling on a wet night too.'
}

export function coldSaid(view: ColdView, show: Show): string {
  const own = view.trials[0]?.picked ?? 0
  const at = show(view.temperature, 'temperature')
  if (own <= 0) return `At ${at} it does not turn.`
  const says = `At ${at} it is turned ${show(own, 'speed_rpm')}`
  if (own < view.needs) return `${says}: too slow, it starts from ${show(view.needs, 'speed_rpm')}.`
  if (view.resets !== null && view.pin < view.resets) return `${says}, but the engine computer is left ${show(view.pin, 'voltage')}.`
  return `${says}: it starts from ${show(view.needs, 'speed_rpm')}.`
}

type Run = WiresView['runs'][number]
export function wiresSaid(view: WiresView): string {
  const bad = view.runs.filter((r) => !r.holds)
  const burns = view.runs.find((r) => r.fuse !== null && r.fuse > r.bears)
  if (burns) return `${burns.name}: the fuse is above its wire, which burns before it blows.`
  if (bad[0]) return `${bad[0].name}: ${fault(bad[0])}${bad.length > 1 ? `, and ${bad.length - 1} more` : ''}.`
  return view.runs.length > 1 ? `All ${view.runs.length} runs hold.` : 'It holds.'
}
/** What is wrong with a run, in a word. */
export function fault(run: Run): string {
  if (run.fuse !== null && run.fuse > run.bears) return 'fuse above its wire'
  if (run.fuse !== null && run.fuse < run.low) return 'fuse too small for good'
  if (run.low > run.bears) return 'wire too thin for its amps'
  return run.drop > run.allowed ? 'loses too much' : ''
}

/** How a signal stands, in words. */
export const STANDS: Record<string, string> = { there: 'there', lost: 'missing', open: 'not said', none: 'no pin listed' }

export function signalsSaid(view: SignalsView): string {
  const [bad] = view.forbidden
  if (bad) return `The ${bad[0]} may not be made up: ${bad[1]}.`
  const lost = view.groups.flatMap((g) => g.rows.filter((r) => r.stands === 'lost').map((r) => ({ ...r, group: g.id })))
  const stops = lost.filter((r) => r.group === 'start')
  if (stops[0]) return `It does not start: the ${stops[0].label} is missing${stops.length > 1 ? `, and ${stops.length - 1} more` : ''}.`
  if (!view.pins) return 'Nothing is listed yet: this is what a usual controller of such an engine wants.'
  const runs = view.does.find((d) => d.id === 'runs')
  const fires = view.does.find((d) => d.id === 'fires')
  const where = view.stand ? ' on the stand' : ''
  if (fires?.surely) return runs?.surely ? `It starts${where} and runs as it should.` : lost.length ? `It starts${where}; the ${lost[0]?.label} is missing: ${lost[0]?.missing}.` : `It starts${where}; not all is said of how it runs.`
  const open = view.groups.find((g) => g.id === 'start')
  return `It may start${where}: of ${open?.open ?? 0} signals it needs for that nobody said where they come from.`
}

/** A pin as it is written on a label: plug, pin, colour. */
export const pinSaid = (pin: { plug: string; pin: string; colour: string; says: string }) => [[pin.plug, pin.pin].filter(Boolean).join(' '), pin.colour, pin.says].filter(Boolean).join(', ')

/** What is off, with its sign: high or low. */
export const offSaid = (worst: number, shown: string) => (Math.abs(worst) < 1e-9 ? 'true' : `${shown} ${worst > 0 ? 'high' : 'low'}`)

/** Ohms along a slider by twenty-four steps a decade; the last is an open end. */
export const ohmAt = (step: number) => (step >= OPEN ? 1e7 : step <= 0 ? 0 : Number((10 ** (step / 24)).toPrecision(2)))
export const OPEN = 120
export const stepOf = (ohm: number | null) => (ohm === null ? OPEN : ohm <= 1 ? 0 : Math.min(OPEN - 1, Math.round(24 * Math.log10(ohm))))
