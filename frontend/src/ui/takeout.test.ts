import { expect, it } from 'vitest'
import { asCsv, asTsv } from './takeout'

const ROWS = [['Line', 'flow'], ['main, "hot"', '101 L/h'], ['=1+1', '-2 kPa']]

it('copies rows parted by tabs', () => {
  expect(asTsv([...ROWS, ['a\tb', 'c']])).toBe('Line\tflow\nmain, "hot"\t101 L/h\n=1+1\t-2 kPa\na b\tc')
})

it('saves comma separated values as RFC 4180 has them, and no formula', () => {
  expect(asCsv(ROWS)).toBe('Line,flow\r\n"main, ""hot""",101 L/h\r\n\'=1+1,-2 kPa\r\n')
})
