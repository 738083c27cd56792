import { computed } from 'vue'
import { useBuild } from '../stores/build'

/** A system of many things: its block, and of its limits the one that is nearest to its end or furthest past it. */
export function useWorst(system: string) {
  const build = useBuild()
  const block = computed(() => build.report?.systems[system])
  const limits = computed(() => block.value?.checks.filter((c) => c.class === 'limit') ?? [])
  const worst = computed(() => limits.value.reduce<(typeof limits.value)[number] | undefined>((a, b) => (a && a.fill >= b.fill ? a : b), undefined))
  const detail = computed(() => (worst.value ? `${worst.value.name}: ${worst.value.sentence}` : ''))
  return { block, worst, detail }
}
