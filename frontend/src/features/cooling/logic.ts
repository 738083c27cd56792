export interface Layer {
  name: string
  depth: number
  kind: 'core' | 'gap' | 'fan' | 'left' | 'over'
}

export const CORE_TO_FAN = 0.01
export const KEEP = 0.025

/** What stands one behind the other ahead of the engine, in metres, and what is left to the pulley. */
export function layers(room: number, core: number, fan: number | null): Layer[] {
  const stack: Layer[] = [{ name: 'core', depth: core, kind: 'core' }]
  if (fan !== null) stack.push({ name: 'gap', depth: CORE_TO_FAN, kind: 'gap' }, { name: 'fan', depth: fan, kind: 'fan' })
  const left = room - stack.reduce((sum, layer) => sum + layer.depth, 0)
  return [...stack, left >= 0 ? { name: 'left', depth: left, kind: 'left' } : { name: 'too deep', depth: -left, kind: 'over' }]
}
