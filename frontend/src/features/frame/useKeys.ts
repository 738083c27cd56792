import { onKeyStroke } from '@vueuse/core'
import type { Ref } from 'vue'
import { useRouter } from 'vue-router'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import { BENCH, STOPS } from '../stations'

export const DIGITS = 9 // places that a digit leads to
const WITHIN_MS = 1500 // a letter belongs to the g before it

const typing = (event: KeyboardEvent) => {
  const target = event.target as HTMLElement
  return target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || event.ctrlKey || event.metaKey || event.altKey
}

/** The keys of a build: to its places, and what is at hand everywhere. Never taken while something is typed. */
export function useKeys(id: () => string, shown: { help: Ref<boolean>; find: Ref<boolean> }): void {
  const build = useBuild()
  const words = useVocabulary()
  const router = useRouter()
  let leading = 0

  const go = (name: string | undefined) => name && void router.push({ name, params: { id: id() } })
  const names = [BENCH.id, ...STOPS.map((s) => s.id)]
  const step = (by: number) => go(names[(names.indexOf(String(router.currentRoute.value.name)) + by + names.length) % names.length])
  const focus = (where: string) => document.querySelector<HTMLElement>(where)?.focus()

  const keys: Record<string, () => unknown> = {
    ',': () => step(-1),
    '.': () => step(1),
    'z': () => build.undo(),
    'Z': () => build.redo(),
    '?': () => (shown.help.value = true),
    'u': () => build.showIn(words.chosenUnits + 1),
    'w': () => focus('[data-working]'),
    'i': () => focus('[data-instead], [data-panel=changes]'),
    'f': () => (shown.find.value = true),
    'g': () => (leading = Date.now()),
  }
  onKeyStroke((event) => {
    if (typing(event)) return
    const led = Date.now() - leading < WITHIN_MS
    leading = 0
    if (led) go([BENCH, ...STOPS].find((stop) => stop.key === event.key)?.id)
    else if (/^[0-9]$/.test(event.key)) go(names[Number(event.key)])
    else keys[event.key]?.()
    if (led || event.key === 'f') event.preventDefault()
  })
}
