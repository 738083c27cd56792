import type { Display } from '../api/client'

/** Digits of a value in its unit, by the same rule as the server's printing. */
export function digits(value: number, display: Display): string {
  if (!Number.isFinite(value)) return '—'
  if (value === 0) return '0'
  const wanted = display.digits - 1 - Math.floor(Math.log10(Math.abs(value)))
  const places = Math.max(0, Math.min(wanted, display.decimals))
  let shown = Math.abs(value) >= 10000 ? value.toLocaleString('en-US', { minimumFractionDigits: places, maximumFractionDigits: places }) : value.toFixed(places)
  if (shown.includes('.')) shown = shown.replace(/0+$/, '').replace(/\.$/, '')
  return shown === '-0' || shown === '' ? '0' : shown
}

export function inUnit(si: number, display: Display): number {
  return (si - display.offset) / display.factor
}

export function show(si: number | null | undefined, display: Display | undefined): string {
  if (si === null || si === undefined || display === undefined) return '—'
  const shown = digits(inUnit(si, display), display)
  if (display.symbol === '') return shown
  return shown + (display.symbol === '°' || display.symbol.startsWith('/') ? '' : '\u00a0') + display.symbol
}

/** Fill as people read it; beyond the clamp it is only "over". */
export function percent(fill: number | null | undefined): string {
  if (fill === null || fill === undefined) return '—'
  return fill >= 9.99 ? 'over 999\u00a0%' : `${Math.round(fill * 100)}\u00a0%`
}
