import type { View } from '../../api/client'

export type Route = View<'belts/route'>
export type Places = View<'belts/places'>
export type Presets = View<'belts/presets'>
export type Pulley = Route['pulleys'][number]
export interface Box { left: number; top: number; width: number; height: number }
type Point = [number, number]

const MARGIN = 0.07

/** What is drawn [m], down the page: pulleys with room for words. */
export function frame(view: Route): Box {
  const xs = view.pulleys.flatMap((p) => [p.right - p.radius, p.right + p.radius])
  const ys = view.pulleys.flatMap((p) => [-p.up - p.radius, -p.up + p.radius])
  const left = Math.min(...xs) - 1.4 * MARGIN
  const top = Math.min(...ys) - MARGIN
  return { left, top, width: Math.max(...xs) + 1.4 * MARGIN - left, height: Math.max(...ys) + MARGIN - top }
}

export const path = (points: readonly (readonly number[])[]) => (points.length ? `M${points.map(([x = 0, y = 0]) => `${x.toFixed(4)} ${(-y).toFixed(4)}`).join('L')}Z` : '')

/** How a pulley's grip is said: many times over is enough. */
export const gripSaid = (margin: number) => (margin >= 9 ? 'over 9 times' : `${margin.toFixed(1)} times`)

/** Rows of a preset as the list of pulleys is read: facts by name, in millimetres. */
export function presetRows(preset: Presets['presets'][number]): string {
  const mm = (v: number | null | undefined) => (v === null || v === undefined ? '' : `${Math.round(1000 * v)} mm`)
  const head = 'what,right,up,diameter,side,pivot_right,pivot_up'
  return [head, ...preset.pulleys.map((p) => [p.what, ...(p.what === 'crank' ? ['', ''] : [mm(p.right), mm(p.up)]), mm(p.diameter), p.side, mm(p.pivot_right), mm(p.pivot_up)].join(','))].join('\n')
}

/** Places along a ruler of lengths, 0 to 1. */
export function ruler(bought: NonNullable<Route['bought']>): { at: (v: number) => number; ticks: number[]; every: number } {
  const [low, high] = [bought.around[0] ?? bought.now - 0.05, bought.around.at(-1) ?? bought.now + 0.05]
  const wide = Math.max(high - low, 0.02)
  const every = wide > 0.15 ? 4 : wide > 0.07 ? 2 : 1
  return { at: (v) => (v - low) / wide, ticks: [...bought.around], every }
}

/** What the station says first. */
export function verdict(view: Route | null, show: (v: number, kind: string) => string): string {
  if (!view) return ''
  if (view.why) return `${view.why}.`
  const slip = view.slips
  if (slip && Number(slip[2]) < view.keeps) return `The ${slip[0]} slips at ${show(Number(slip[1]), 'speed_rpm')}: it holds ${Number(slip[2]).toFixed(1)} times what it carries.`
  const fast = [...view.pulleys].filter((p) => p.what !== 'crank').sort((a, b) => (b.speeds.at(-1) ?? 0) / b.most - (a.speeds.at(-1) ?? 0) / a.most)[0]
  if (fast && (fast.speeds.at(-1) ?? 0) > fast.most) return `The ${fast.name} turns ${show(fast.speeds.at(-1) ?? 0, 'speed_rpm')}; it may turn ${show(fast.most, 'speed_rpm')}.`
  const b = view.bought
  if (b && b.owned !== null && (b.owned < b.low || b.owned > b.high)) return b.sold.length ? `The belt there does not serve: buy ${show(b.sold[Math.floor(b.sold.length / 2)] ?? b.low, 'length')}.` : 'The belt there does not serve.'
  if (b && b.low >= b.high) return 'No length serves it as it stands.'
  const buys = b && b.sold.length ? `; buy ${show(b.sold[Math.floor(b.sold.length / 2)] ?? b.low, 'length')}` : ''
  return b?.owned ? `It holds, and the ${show(b.owned, 'length')} there serves.` : `It holds${buys}.`
}

const STEPS: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }
/** How far an arrow key moves a pulley [m]: right, up. */
export function keyed(key: string, fast: boolean): Point | null {
  const step = STEPS[key]
  const by = fast ? 0.01 : 0.001
  return step ? [step[0] * by, step[1] * by] : null
}
export const round = (metres: number) => Math.round(1000 * metres) / 1000
