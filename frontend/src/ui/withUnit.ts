import type { Display } from '../api/client'

/** A bare number with the unit it was meant in, so that it reads the same whatever the build shows later. */
export const withUnit = (text: string, display: Display | undefined) => (/^\s*[-+−]?\d+(?:[.,]\d+)?\s*$/.test(text) && display?.symbol ? `${text.trim()} ${display.symbol}` : text.trim())
