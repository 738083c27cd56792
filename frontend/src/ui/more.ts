/** A factor as one says it: 12 % more, 8 % less. */
export function more(value: number): string {
  const percent = Math.round(100 * (value - 1))
  return percent === 0 ? 'as foretold' : `${Math.abs(percent)}\u00a0% ${percent > 0 ? 'more' : 'less'}`
}
