import { ref, watch } from 'vue'
import { useBuild } from '../../stores/build'
import { plus, STILL, type Moved } from './logic'

/** How far the engine is held from where it is stated to lie: a what-if of all drawings of the station, until it is set
 * or the build changes. */
const moved = ref<Moved>({ ...STILL })

export function useMoved() {
  const build = useBuild()
  watch(() => `${build.build?.id} ${build.build?.revision}`, () => (moved.value = { ...STILL }))
  const by = (more: Partial<Moved>) => (moved.value = plus(moved.value, more))
  const back = () => (moved.value = { ...STILL })
  return { moved, by, back }
}
