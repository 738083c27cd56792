export interface FuelInstrument {
  unknown?: string[]
  duty: string
  asked: number
  moved: number
  rail: number
  injection: string
  rail_kind: string
  place: string
  injector?: { share: number; ceiling: number; flow: number }
  flow?: number[]
  resists?: number[]
  pump?: [number, number][]
  point?: { flow: number; pressure: number }
  voltage?: number
  current?: number
  line_drop?: number
}

/** The narrow place of the circuit: whichever of pump and injectors is fuller, when one is over. */
export function narrow(data: FuelInstrument): 'pump' | 'injectors' | null {
  const pump = data.point && data.point.flow > 0 ? data.asked / data.point.flow : data.point ? Infinity : 0
  const injectors = data.injector ? data.injector.share / data.injector.ceiling : 0
  if (Math.max(pump, injectors) <= 1) return null
  return pump >= injectors ? 'pump' : 'injectors'
}
