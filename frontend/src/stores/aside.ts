import { computed, shallowRef } from 'vue'
import type { Aside, Keeper, Kept } from './kept'

/** Edits that were refused and that no field waits for: kept in this browser until somebody says what becomes of them. */
export function useAside(keeper: Keeper, id: () => string | undefined) {
  const all = shallowRef<Aside[]>(keeper.aside())
  const aside = computed(() => all.value.filter((a) => a.build === id()))
  /** Those of builds that are not where one looks for them. */
  const asideOf = (there: ReadonlySet<string>) => all.value.filter((a) => !there.has(a.build))

  /** Another window may have set some aside too. */
  const look = () => (all.value = keeper.aside())
  function put(next: Aside[]): void {
    all.value = next
    keeper.setAside(next)
  }
  const others = (of: string) => keeper.aside().filter((a) => a.id !== of)
  const setAside = (kept: Kept, why: string) => put([...others(kept.id), { id: kept.id, build: kept.build, base: kept.base, edits: kept.edits, why }])
  function takeAside(of: string): Aside | undefined {
    const found = all.value.find((a) => a.id === of)
    put(others(of))
    return found
  }
  return { aside, asideOf, setAside, takeAside, look }
}
