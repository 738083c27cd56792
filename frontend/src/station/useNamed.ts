import { computed } from 'vue'
import { useBuild } from '../stores/build'
import { partsOf } from './parts'

/** Parts as their builder calls them, by id. */
export function useNamed() {
  const build = useBuild()
  const names = computed(() => new Map(partsOf(build.document).map((p): [string, string] => [p.id, p.name ?? ''])))
  const named = (id: string, usual: string): string => names.value.get(id) || usual
  return { named }
}
