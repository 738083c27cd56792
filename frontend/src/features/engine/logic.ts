/** Where the fuel's energy goes, in drawing order. */
export const PARTS = [
  { key: 'engine_power_w', name: 'power', colour: 'engine' },
  { key: 'heat_to_coolant_w', name: 'coolant', colour: 'cooling' },
  { key: 'heat_to_oil_w', name: 'oil', colour: 'oil' },
  { key: 'exhaust_power_w', name: 'exhaust heat', colour: 'exhaust' },
  { key: 'unburnt', name: 'unburnt', colour: 'brass' },
  { key: 'radiation_w', name: 'radiated', colour: 'duties' },
] as const

export interface Slice {
  name: string
  colour: string
  watts: number
  share: number
}

/** Slices of one duty's energy: what goes out, as shares of the sum. */
export function slices(figures: Record<string, number | null>): Slice[] {
  const watts = (key: string) => (key === 'unburnt' ? (figures.chemical_loss_w ?? 0) + (figures.unburned_w ?? 0) : (figures[key] ?? 0))
  const found = PARTS.map((part) => ({ name: part.name, colour: part.colour, watts: watts(part.key) }))
  const sum = found.reduce((total, part) => total + part.watts, 0)
  return found.map((part) => ({ ...part, share: sum > 0 ? part.watts / sum : 0 }))
}
