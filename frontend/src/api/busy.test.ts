import { describe, expect, it } from 'vitest'
import { begin, busy, whileBusy } from './busy'

describe('busy', () => {
  it('lasts until the last of several has ended, each once', () => {
    const [one, two] = [begin(), begin()]
    one()
    one()
    expect(busy.value).toBe(true)
    two()
    expect(busy.value).toBe(false)
  })

  it('ends with work that is refused, and hands the refusal on', async () => {
    const refused = whileBusy(Promise.reject(new Error('no')))
    expect(busy.value).toBe(true)
    await expect(refused).rejects.toThrow('no')
    expect(busy.value).toBe(false)
  })
})
