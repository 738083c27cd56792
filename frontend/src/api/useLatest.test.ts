import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Problem } from './client'
import { busy } from './busy'
import { useLatest } from './useLatest'

describe('useLatest', () => {
  beforeEach(() => vi.useFakeTimers())
  afterEach(() => vi.useRealTimers())

  it('lets only the last of several finish and is busy from the first to it', async () => {
    const seen: boolean[] = []
    const { ask } = useLatest(async (signal) => {
      await new Promise((resolve) => setTimeout(resolve, 50))
      seen.push(signal.aborted)
    }, 70)
    const asked = [ask(), ask(), ask()]
    expect(busy.value).toBe(true)
    await vi.advanceTimersByTimeAsync(60)
    expect(seen).toEqual([false])
    expect(busy.value).toBe(true)
    await vi.advanceTimersByTimeAsync(80)
    await Promise.all(asked)
    expect(seen).toEqual([false, false])
    expect(busy.value).toBe(false)
  })

  it('comes again when the server asks for patience, and not once it is dropped', async () => {
    const said: string[] = []
    let turns = 0
    const { ask, drop } = useLatest(() => {
      turns++
      return turns % 3 === 0 ? Promise.resolve() : Promise.reject(new Problem(503, 'busy', 'later', [], null, 1000))
    }, 0, (error) => said.push(String(error)))
    const first = ask()
    await vi.advanceTimersByTimeAsync(2500)
    await first
    expect([turns, said]).toEqual([3, []])
    const second = ask()
    await vi.advanceTimersByTimeAsync(500)
    drop()
    await second
    expect([turns, said]).toEqual([4, []])
  })

  it('says what went wrong, but not of what was dropped', async () => {
    const said: string[] = []
    const { ask, drop } = useLatest(async () => {
      await new Promise((resolve) => setTimeout(resolve, 10))
      throw new Error('no')
    }, 0, (error) => said.push(String(error)))
    const first = ask()
    await vi.advanceTimersByTimeAsync(20)
    await first
    expect(said).toEqual(['Error: no'])
    const second = ask()
    drop()
    await vi.advanceTimersByTimeAsync(20)
    await second
    expect(said).toHaveLength(1)
  })
})
