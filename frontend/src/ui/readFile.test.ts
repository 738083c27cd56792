import { expect, it } from 'vitest'
import { readFile } from './readFile'

it('gives the whole text, whole letters where the pieces part, and tells how far it is', async () => {
  const told: number[] = []
  const text = 'Maß 3 mm, '.repeat(20_000)
  expect(await readFile(new File([text], 'sheet.json'), (done) => told.push(done))).toBe(text)
  expect(told[0]).toBe(0)
  expect(told.at(-1)).toBe(new TextEncoder().encode(text).length)
})
