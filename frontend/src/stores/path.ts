import { ref, watch, type Ref } from 'vue'

const keyOf = (id: string) => `gauge-well-undo-${id}`

/** Revisions that undo and redo lead to, kept for the session so that a reload does not lose the way back. `back` goes to
 * one and says whether it did; `stuck`: a conflict has to be settled first. */
export function usePath(own: () => { id: string; revision: number } | null, back: (what: string, revision: number) => Promise<boolean>, stuck: () => boolean) {
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
    const build = own()?.id
    if (build) sessionStorage.setItem(keyOf(build), JSON.stringify([undoable.value, redoable.value]))
  }, { deep: true })
  async function travel(what: string, from: Ref<number[]>, to: Ref<number[]>): Promise<void> {
    const [target, at] = [from.value.pop(), own()?.revision]
    if (target === undefined || at === undefined) return
    if (await back(what, target)) to.value.push(at)
    else if (!stuck()) from.value.push(target)
  }
  /** To any revision; undo leads back to where one stood. */
  async function leave(what: string, revision: number): Promise<boolean> {
    const at = own()?.revision
    if (at === undefined || !(await back(what, revision))) return false
    undoable.value.push(at)
    return true
  }
  return { undoable, redoable, recall, travel, leave }
}
