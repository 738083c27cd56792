import { nextTick, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useBuild } from '../../stores/build'

const PATIENCE_MS = 3000

/** Bring what the address names (a fact, check or step) into view and focus it, once it is on the page. */
export function useLanding(): void {
  const route = useRoute()
  const build = useBuild()

  async function land(): Promise<void> {
    const name = decodeURIComponent(route.hash.slice(1))
    if (!name) return
    const until = Date.now() + PATIENCE_MS
    while (Date.now() < until) {
      await nextTick()
      const found = document.querySelector<HTMLElement>(`[data-path="${CSS.escape(name)}"], [data-check="${CSS.escape(name)}"], [data-step="${CSS.escape(name)}"]`)
      if (found) {
        found.scrollIntoView({ block: 'center' })
        found.focus({ preventScroll: true })
        return
      }
      await new Promise((resolve) => setTimeout(resolve, 50))
    }
  }
  watch([() => route.fullPath, () => build.build?.id], () => void land(), { immediate: true })
}
