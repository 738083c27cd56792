import type { View } from '../../api/client'

export type Window = View<'fit/window'>
export interface Region { name: string; x: number; y: number; edge: string }

/** Least share of the map that is worth a name, and how many are named. */
const WORTH = 0.025
const MOST = 6

/** Regions of one binding pair: where each is named, and the lines between them. Forward lies left, up lies up. */
export function regions(map: Window, width: number, height: number): Region[] {
  const [cols, rows] = [map.ahead.length, map.up.length]
  const [w, h] = [width / cols, height / rows]
  const own = new Map<number, [number, number][]>()
  const lines: string[] = []
  for (let r = 0; r < rows; r++) {
    for (let c = 0; c < cols; c++) {
      const pair = map.binds[r]?.[c] ?? 0
      const [x, y] = [width - (c + 1) * w, height - (r + 1) * h]
      own.set(pair, [...(own.get(pair) ?? []), [x + w / 2, y + h / 2]])
      if (c + 1 < cols && map.binds[r]?.[c + 1] !== pair) lines.push(`M${x} ${y}v${h}`)
      if (r + 1 < rows && map.binds[r + 1]?.[c] !== pair) lines.push(`M${x} ${y}h${w}`)
    }
  }
  const large = [...own.entries()].filter(([, cells]) => cells.length >= WORTH * cols * rows).sort((a, b) => b[1].length - a[1].length).slice(0, MOST)
  const named = large.map(([pair, cells]) => {
    // The cell nearest the middle of its own, so that a bent region is not named outside itself.
    const mean = [0, 1].map((k) => cells.reduce((s, p) => s + (p[k] ?? 0), 0) / cells.length)
    const at = cells.reduce((a, b) => (dist(b, mean) < dist(a, mean) ? b : a))
    return { name: map.pairs[pair] ?? '', x: Math.min(Math.max(at[0], 70), width - 70), y: at[1], edge: '' }
  })
  return [{ name: '', x: 0, y: 0, edge: lines.join('') }, ...named]
}

const dist = (a: [number, number], b: number[]) => (a[0] - (b[0] ?? 0)) ** 2 + (a[1] - (b[1] ?? 0)) ** 2
