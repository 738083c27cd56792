import { computed } from 'vue'
import { useBuild } from '../stores/build'
import { percent } from '../ui/format'

/** A system of many things: its block, and of its limits the one that is nearest to its end or furthest past it. */
export function useWorst(system: string) {
  const build = useBuild()
  const block = computed(() => build.report?.systems[system])
  const limits = computed(() => block.value?.checks.filter((c) => c.class === 'limit') ?? [])
  const worst = computed(() => limits.value.reduce<(typeof limits.value)[number] | undefined>((a, b) => (a && a.fill >= b.fill ? a : b), undefined))
  const detail = computed(() => (worst.value ? `${worst.value.name}: ${worst.value.sentence}` : undefined))
  /** Whether they hold, named as many (`the belts`), where something of them is limited; past it, of what it stands. */
  const heading = (many: string, of = 'what it stands') => {
    const c = worst.value
    if (!c) return undefined
    return c.fill > 1 ? `${c.name}: ${percent(c.fill)} of ${of}.` : `The ${many} hold, ${percent(c.fill)} full at most.`
  }
  /** The same, where not all of them may be known. */
  const headingKnown = (many: string) => {
    const c = worst.value
    return c && c.fill <= 1 && block.value?.unknown.length ? `What is known of the ${many} holds, ${percent(c.fill)} full at most.` : heading(many)
  }
  return { detail, heading, headingKnown }
}
