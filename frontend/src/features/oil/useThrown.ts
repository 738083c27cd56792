import { computed, ref, watch } from 'vue'
import { useBuild } from '../../stores/build'

/** Which duty a drawing is of: the one that throws the oil most, until another is picked. */
export function useThrown() {
  const build = useBuild()
  const duties = computed(() => build.report?.duties ?? [])
  const index = ref(0)
  watch(duties, (all) => {
    const asks = all.map((d) => Math.max(...['braking', 'cornering', 'pulling'].map((name) => build.build?.facts[`duties.${d.id}.${name}`]?.si ?? 0)))
    index.value = Math.max(asks.indexOf(Math.max(...asks)), 0)
  }, { immediate: true })
  return { index }
}
