import { computed, ref } from 'vue'

const going = ref(0)

/** Whether the page still works out what it shows: its main part says so by `aria-busy`. */
export const busy = computed(() => going.value > 0)

/** Something begins; the answer ends it, once. */
export function begin(): () => void {
  let open = true
  going.value++
  return () => {
    if (open) going.value--
    open = false
  }
}

/** Counts as work until it is done or refused. */
export function whileBusy<T>(work: Promise<T>): Promise<T> {
  return work.finally(begin())
}
