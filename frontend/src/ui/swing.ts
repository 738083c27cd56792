/** Speed out over in through a turn as a path in a box, and how far it swings either way; less than ``least`` is drawn small. */
export function swing(ratio: readonly number[], wide: number, high: number, least: number): { path: string; most: number } {
  const off = ratio.map((r) => r - 1)
  const most = Math.max(...off.map(Math.abs), 1e-9)
  const scale = Math.max(most, least)
  const path = off.map((v, i) => `${i ? 'L' : 'M'}${((i / Math.max(off.length - 1, 1)) * wide).toFixed(1)} ${(high / 2 - (v / scale) * (high / 2 - 4)).toFixed(1)}`).join('')
  return { path, most }
}
