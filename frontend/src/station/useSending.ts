import { ref } from 'vue'
import type { Edit } from '../api/client'
import { useBuild } from '../stores/build'
import { troubleOf } from './useReading'

/** Edits sent to the build, several as one step; what was wrong with the last, with what would be understood. */
export function useSending() {
  const build = useBuild()
  const trouble = ref('')
  async function send(...edits: Edit[]): Promise<boolean> {
    const problem = await build.enqueue(edits)
    const found = problem && troubleOf(problem)
    trouble.value = found ? `${found.message}${found.allowed ? ` Understood: ${found.allowed}.` : ''}` : ''
    return problem === null
  }
  return { send, trouble }
}
