import { ref, watch } from 'vue'

const keyOf = (id: string) => `gauge-well-undo-${id}`

/** Revisions that undo and redo lead to, kept for the session so that a reload does not lose the way back. */
export function usePath(id: () => string | undefined) {
  const undoable = ref<number[]>([])
  const redoable = ref<number[]>([])

  function recall(build: string): void {
    undoable.value = redoable.value = []
    try {
      const [back, on] = JSON.parse(sessionStorage.getItem(keyOf(build)) ?? '[[],[]]') as [number[], number[]]
      undoable.value = back.filter(Number.isInteger)
      redoable.value = on.filter(Number.isInteger)
    } catch {
      // What is kept there is not ours: there is no way back then.
    }
  }
  watch([undoable, redoable], () => {
    const build = id()
    if (build) sessionStorage.setItem(keyOf(build), JSON.stringify([undoable.value, redoable.value]))
  }, { deep: true })
  return { undoable, redoable, recall }
}
