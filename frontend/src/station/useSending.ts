import { ref } from 'vue'
import type { Edit } from '../api/client'
import { line, useBuild } from '../stores/build'
import { inPlace } from './parts'
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
  /** One more part in a place that several fill: its id, null where it was refused. */
  async function add(place: string): Promise<string | null> {
    const ids = () => inPlace(build.document, place).map((part) => part.id)
    const before = ids()
    return (await send(line(place, null, { action: 'add' }))) ? (ids().find((id) => !before.includes(id)) ?? null) : null
  }
  return { send, add, trouble }
}
