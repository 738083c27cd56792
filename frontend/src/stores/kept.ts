import type { Edit } from '../api/client'

/** Edits not yet taken by the server, with the revision they were made on; kept in the browser under their window's
 * name, so that windows never write over each other's, and taken over by another once their window is closed. */
export interface Kept {
  id: string
  build: string
  base: number
  edits: Edit[]
}

/** An edit the server did not take, with why; it stays until it is sent again or dropped. */
export interface Aside extends Kept {
  why: string
}

const QUEUE = 'gauge-well-kept:'
const ASIDE = 'gauge-well-aside'
const lockOf = (window: string) => `gauge-well-window:${window}`

/** A name nobody else has; also where the page is not served securely and `randomUUID` is missing. */
export const newId = (): string => Array.from(crypto.getRandomValues(new Uint32Array(4)), (n) => n.toString(36)).join('-')

const isEdit = (item: unknown): item is Edit => typeof item === 'object' && item !== null && typeof (item as Edit).path === 'string'
const isKept = (item: unknown): item is Kept => {
  const kept = item as Kept
  return typeof item === 'object' && item !== null && typeof kept.build === 'string' && Number.isInteger(kept.base) && Array.isArray(kept.edits) && kept.edits.every(isEdit)
}

/** A list from storage; what is not understood is left out. */
export function read<T extends Kept>(storage: Storage, key: string): T[] {
  try {
    const found: unknown = JSON.parse(storage.getItem(key) ?? '[]')
    return Array.isArray(found) ? (found.filter(isKept) as T[]) : []
  } catch {
    return []
  }
}

export function write(storage: Storage, key: string, list: readonly Kept[]): void {
  if (list.length) storage.setItem(key, JSON.stringify(list))
  else storage.removeItem(key)
}

export class Keeper {
  readonly window = newId()

  constructor(private readonly storage: Storage = localStorage) {
    // Held as long as this window lives: others know by it that what is kept here has an owner.
    void navigator.locks?.request(lockOf(this.window), () => new Promise(() => undefined))
  }

  /** Keep what waits; told are the edits in it that are of the build shown. */
  keep(queue: readonly Kept[], shown = ''): Edit[] {
    write(this.storage, QUEUE + this.window, queue)
    return queue.filter((waiting) => waiting.build === shown).flatMap((waiting) => waiting.edits)
  }

  /** What windows that are closed left behind: handed over, and theirs no more. */
  async adopt(): Promise<Kept[]> {
    const keys = Object.keys(this.storage).filter((key) => key.startsWith(QUEUE) && key !== QUEUE + this.window)
    const found: Kept[] = []
    for (const key of keys) {
      const take = (): void => {
        found.push(...read<Kept>(this.storage, key))
        this.storage.removeItem(key)
      }
      // Without locks none can tell; an edit sent twice leaves the build as it stands.
      if (!navigator.locks) take()
      else await navigator.locks.request(lockOf(key.slice(QUEUE.length)), { ifAvailable: true }, (lock) => { if (lock) take() })
    }
    return found
  }

  aside(): Aside[] {
    return read<Aside>(this.storage, ASIDE)
  }

  setAside(list: readonly Aside[]): void {
    write(this.storage, ASIDE, list)
  }
}
