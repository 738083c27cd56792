import { computed, ref, watch } from 'vue'
import { useBuild } from '../stores/build'

/** Which duty a drawing is of: the one that governs its system until another is picked. */
export function useDuty(system: string) {
  const build = useBuild()
  const duties = computed(() => build.report?.duties ?? [])
  const index = ref(0)
  watch(() => build.report?.systems[system]?.governing?.duty, (id) => {
    const found = duties.value.findIndex((d) => d.id === id)
    if (found >= 0) index.value = found
  }, { immediate: true })
  const duty = computed(() => duties.value[index.value])
  return { index, duty }
}
