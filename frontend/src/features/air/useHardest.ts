import { computed, ref, watch } from 'vue'
import { useBuild } from '../../stores/build'

/** Which duty the air is drawn in: the one in which the way in costs most, the last where none is worked, until another is picked. */
export function useHardest() {
  const build = useBuild()
  const worst = computed(() => {
    const duties = build.report?.duties ?? []
    const own = build.report?.systems.air?.checks.filter((c) => c.id === 'intake_cost') ?? []
    const id = own.reduce<(typeof own)[number] | undefined>((most, c) => ((c.demand ?? 0) > (most?.demand ?? 0) ? c : most), undefined)?.duty
    const found = duties.findIndex((d) => d.id === id)
    return found < 0 ? duties.length - 1 : found
  })
  const index = ref(Math.max(worst.value, 0))
  watch(worst, (now) => now >= 0 && (index.value = now))
  return { index }
}
