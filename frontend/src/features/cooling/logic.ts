import type { Schemas, View } from '../../api/client'

export type StackLayer = Schemas['StackLayer']
export type Neck = Schemas['Neck']
export type Stack = View<'cooling/stack'>

export interface Box {
  layer: StackLayer
  x: number
  width: number
  /** Height on the same scale. */
  tall: number
}

const UNKNOWN_TALL = 0.35 // m, where no height is known

/** Layers from front to back as boxes on one scale, as large as `width` and `height` allow: the room or the stack lengthwise, whichever is
 * deeper, the tallest layer upright. */
export function boxes(stack: Stack, width: number, height: number): { boxes: Box[]; scale: number; end: number; wall: number; tall: number } {
  const deep = stack.layers.reduce((sum, l) => sum + l.depth, 0)
  const known = stack.layers.map((l) => l.height ?? 0)
  const tallest = Math.max(...known) || UNKNOWN_TALL
  const scale = Math.min(width / Math.max(deep, stack.room ?? deep, 1e-6), height / tallest)
  let x = 0
  const found = stack.layers.map((layer) => {
    const box = { layer, x, width: layer.depth * scale, tall: (layer.height ?? tallest) * scale }
    x += box.width
    return box
  })
  return { boxes: found, scale, end: x, wall: (stack.room ?? deep) * scale, tall: tallest * scale }
}

/** Middles of fans side by side on a face, the longer way, in metres from its middle. */
export function fanPlaces(count: number, width: number, height: number): [number, number][] {
  const along = width >= height
  const step = (along ? width : height) / count
  return Array.from({ length: count }, (_, i) => {
    const at = (i + 0.5 - count / 2) * step
    return along ? [at, 0] : [0, at]
  })
}

/** Seconds as a builder says them: 45 s, 4 min 10 s, 1 h 5 min. */
export function minutes(seconds: number): string {
  const s = Math.round(seconds)
  if (s < 90) return `${s} s`
  if (s < 3600) return `${Math.floor(s / 60)} min${s % 60 ? ` ${s % 60} s` : ''}`
  return `${Math.floor(s / 3600)} h ${Math.round((s % 3600) / 60)} min`
}
