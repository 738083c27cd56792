import { beforeEach, describe, expect, it, vi } from 'vitest'
import { Keeper, read, write, type Kept } from './kept'

/** What a browser keeps, in memory. */
class Memory implements Storage {
  [name: string]: unknown
  get length(): number {
    return Object.keys(this).length
  }
  key(index: number): string | null {
    return Object.keys(this)[index] ?? null
  }
  getItem(key: string): string | null {
    return Object.hasOwn(this, key) ? String(this[key]) : null
  }
  setItem(key: string, value: string): void {
    this[key] = value
  }
  removeItem(key: string): void {
    Reflect.deleteProperty(this, key)
  }
  clear(): void {
    for (const key of Object.keys(this)) Reflect.deleteProperty(this, key)
  }
}

const edit = { path: 'machine.mass', text: '1500 kg', evidence: null, tolerance: null, action: 'set' as const, index: 0, source: null, date: null }
const kept = (id: string, base = 1): Kept => ({ id, build: 'b', base, edits: [edit] })

/** Locks as a browser holds them: by name, until their window is gone. */
class Locks {
  readonly held = new Set<string>()
  async request(name: string, options: { ifAvailable?: boolean } | (() => unknown), take?: (lock: object | null) => unknown): Promise<void> {
    if (typeof options === 'function') {
      this.held.add(name)
      return
    }
    await take?.(this.held.has(name) ? null : {})
  }
}

describe('edits kept in the browser', () => {
  let storage: Memory
  let locks: Locks
  beforeEach(() => {
    storage = new Memory()
    locks = new Locks()
    vi.stubGlobal('navigator', { locks })
  })

  it('belong to their window while it lives', async () => {
    const [one, two] = [new Keeper(storage), new Keeper(storage)]
    one.keep([kept('a')])
    two.keep([kept('b', 7)])
    expect(await two.adopt()).toEqual([])
    expect(Object.keys(storage)).toHaveLength(2)
    locks.held.delete(`gauge-well-window:${one.window}`)
    expect(await two.adopt()).toEqual([kept('a')])
    expect(await two.adopt()).toEqual([])
    two.keep([])
    expect(Object.keys(storage)).toHaveLength(0)
  })

  it('go by whoever comes where windows cannot be told apart', async () => {
    vi.stubGlobal('navigator', {})
    const one = new Keeper(storage)
    one.keep([kept('a')])
    expect(await new Keeper(storage).adopt()).toEqual([kept('a')])
  })

  it('stay aside with why', () => {
    const keeper = new Keeper(storage)
    keeper.setAside([{ ...kept('a'), why: 'refused' }])
    expect(new Keeper(storage).aside()[0]?.why).toBe('refused')
    keeper.setAside([])
    expect(storage.length).toBe(0)
  })

  it('are left out where they are not understood', () => {
    for (const text of ['', '{', 'null', '7', '[null]', '[{"build": 3}]', '[{"build": "b", "base": "x", "edits": []}]', '[{"build": "b", "base": 1, "edits": [3]}]']) {
      storage.setItem('k', text)
      expect(read(storage, 'k')).toEqual([])
    }
    write(storage, 'k', [kept('a')])
    expect(read(storage, 'k')).toEqual([kept('a')])
  })
})
