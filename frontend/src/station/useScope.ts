import { computed, ref } from 'vue'
import { useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import { notStarted } from './scope'

const SCOPES = { judged: 'judged', later: 'later', left_out: 'left out' }

/** How a system stands in the build: judged, put off or left out; and what begins it while nothing is stated of it. */
export function useScope(system: () => string) {
  const build = useBuild()
  const words = useVocabulary()
  const trouble = ref('')
  const scope = computed(() => build.report?.scope[system()])
  const why = computed(() => scope.value?.why)
  const idle = computed(() => notStarted(build.report, system()))
  const begin = computed(() => (scope.value?.begin ?? []).map((p) => words.within(p)).join(', '))
  const mine = computed(() => build.document.scope?.[system() as keyof typeof build.document.scope])
  /** Where a machine has no such thing there is nothing to choose. */
  const choosable = computed(() => scope.value !== undefined && (scope.value.state === 'judged' || mine.value !== undefined))
  async function put(value: string | number): Promise<void> {
    const problem = await build.edit(`scope.${system()}`, value === 'judged' ? null : String(value))
    trouble.value = problem?.message ?? ''
  }
  return { scope, why, idle, begin, choosable, put, trouble, SCOPES }
}
