import { ref, watch } from 'vue'
import { useBuild } from '../../stores/build'
import { hardest } from './logic'

/** Which duty the exhaust is drawn in: the one that loses most pressure, until another is picked. */
export function useHardest() {
  const build = useBuild()
  const index = ref(0)
  watch(() => hardest(build.report?.systems.exhaust?.checks ?? []), (id) => {
    const found = build.report?.duties.findIndex((d) => d.id === id) ?? -1
    if (found >= 0) index.value = found
  }, { immediate: true })
  return { index }
}
