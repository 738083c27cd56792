import type { Change, Check, Report, Row, Schemas, SystemBlock } from '../../api/client'

/** Of its own scale, under which lost power is not told on the bench; what only wants care is told past its whole scale. */
const TELLING = 0.05

/** A round step that puts at most `most` ticks on an axis from nought to `top`. */
export function ticks(top: number, most = 8): number[] {
  if (!(top > 0)) return [0]
  const rough = top / most
  const power = 10 ** Math.floor(Math.log10(rough))
  const step = [1, 2, 2.5, 5, 10].map((n) => n * power).find((n) => n >= rough) ?? rough
  return Array.from({ length: Math.floor(top / step + 1e-9) + 1 }, (_, i) => i * step)
}

/** Top of the power axis: room for the wanted line and for most bars; far ones run off its end. */
export function axisTop(wanted: number, rows: Row[]): number {
  const reaches = rows.map((r) => r.reach_w).filter((r): r is number => r !== null)
  const near = reaches.filter((r) => r <= 2.2 * wanted)
  return 1.12 * Math.max(wanted * 1.35, ...near)
}

/** Power a row's part carries over what is asked of it there, as power of the whole build. */
const carries = (row: Row, wanted: number) => {
  if (row.kind === 'load') return row.needs_w ? (wanted * (row.carries_w ?? 0)) / row.needs_w : Infinity
  return row.reach_w ?? (row.reach_code === 'above' ? Infinity : row.reach_code === 'below' ? 0 : Number.MAX_VALUE)
}

/**
 * Rows by what they say: bars against power, what gives out first on top, and those that power does not decide.
 * A load that asks more of its part than full power does decides it, and stands among the bars.
 */
export function split(rows: Row[], wanted: number): { power: Row[]; fixed: Row[] } {
  const own = new Map(rows.filter((r) => r.kind === 'power').map((r) => [r.system + r.part, r.fill ?? 0]))
  const bar = (r: Row) => r.kind === 'power' || (r.kind === 'load' && r.carries_w !== null && r.needs_w !== null && (r.fill ?? 0) > (own.get(r.system + r.part) ?? 0))
  const power = rows.filter(bar).sort((a, b) => carries(a, wanted) - carries(b, wanted))
  const fixed = rows.filter((r) => !bar(r)).sort((a, b) => (b.fill ?? 0) - (a.fill ?? 0))
  return { power, fixed }
}

const LOWEST = 6 // bars that are always told
const NEAR = 0.9 // of what is there, from which a row is told whatever stands before it

export interface Untold {
  system: string
  rows: Row[]
}

/** Bars that decide, in their order: the lowest, and whatever is short or near it; the rest by system, of which `opened` are told too. */
export function told(rows: Row[], opened: ReadonlySet<string>): { told: Row[]; rest: Untold[] } {
  const decides = (row: Row, i: number) => i < LOWEST || (row.fill ?? 0) > NEAR
  const others = rows.filter((row, i) => !decides(row, i))
  if (others.length < 2) return { told: rows, rest: [] }
  const systems = [...new Set(others.map((r) => r.system))].filter((id) => !opened.has(id))
  return { told: rows.filter((row, i) => decides(row, i) || opened.has(row.system)), rest: systems.map((system) => ({ system, rows: others.filter((r) => r.system === system) })) }
}

/** The dearest duty of each thing that only costs, dearest first; what costs next to nothing is left to its station. */
export function costs(systems: Record<string, SystemBlock>): { system: string; check: Check }[] {
  const found = new Map<string, { system: string; check: Check }>()
  for (const [system, block] of Object.entries(systems)) {
    for (const check of block.checks) {
      const kept = found.get(system + check.id)
      if (check.class === 'cost' && check.fill > (check.unit === 'power' ? TELLING : 1) && check.fill > (kept?.check.fill ?? 0)) found.set(system + check.id, { system, check })
    }
  }
  return [...found.values()].sort((a, b) => b.check.fill - a.check.fill)
}

export interface Shop {
  system: string
  need: Schemas['NeedOut']
  shop: Schemas['ShopOut']
}

/** What is to be bought: needs of the parts that are not given, systems in the order a builder asks. */
export function shopping(systems: Record<string, SystemBlock>, asked: string[]): Shop[] {
  const place = (id: string) => asked.indexOf(id)
  return Object.entries(systems)
    .filter(([, block]) => block.state === 'unknown')
    .sort(([a], [b]) => place(a) - place(b))
    .flatMap(([system, block]) => {
      const parts = new Set(block.unknown.map((u) => u.part))
      return block.need.flatMap((need) => (need.shop && (!parts.size || parts.has(need.part)) ? [{ system, need, shop: need.shop }] : []))
    })
}

export interface Settled {
  names: string
  share: number | null
  rests: Schemas['RestsOut']
}

/** Values nobody stated, with the needs each opens most and by how much, the widest first. */
export function settles(items: Shop[]): Settled[] {
  const found = new Map<string, Settled>()
  for (const { need, shop } of items) {
    const rests = need.rests_on
    if (!rests) continue
    const there = typeof rests.low === 'number' && typeof rests.high === 'number' && need.value
    const share = there ? ((rests.high ?? 0) - (rests.low ?? 0)) / 2 / (need.value ?? 1) : null
    const kept = found.get(rests.path)
    const name = kept ? shop.name.toLowerCase() : shop.name
    found.set(rests.path, { names: kept ? `${kept.names}, ${name}` : name, share: Math.max(kept?.share ?? 0, share ?? 0) || null, rests })
  }
  return [...found.values()].sort((a, b) => (b.share ?? 0) - (a.share ?? 0))
}

/** Wanted power after a key: a step of 1 % (10 with shift), kept within reason. */
export function nudge(wanted: number, key: string, shift: boolean): number | null {
  const step = wanted * (shift ? 0.1 : 0.01)
  if (key === 'ArrowRight' || key === 'ArrowUp') return wanted + step
  if (key === 'ArrowLeft' || key === 'ArrowDown') return Math.max(wanted - step, 500)
  return null
}

/** Changes with a price first, by what each unit of money buys: what it takes off, then the reach it adds. */
export function byMoney(changes: Change[]): Change[] {
  const worth = (c: Change) => (c.price_total ? (1e6 * c.buys + (c.headroom_w ?? 0)) / c.price_total : -1)
  return [...changes].sort((a, b) => Number(a.rejected) - Number(b.rejected) || worth(b) - worth(a))
}

/** Whether a row goes by what was measured on this build. */
export const measuredHere = (report: Report | null, row: Row): boolean => report?.measured?.rows.some((m) => m.system === row.system && m.part === row.part && m.kind === row.kind) ?? false
