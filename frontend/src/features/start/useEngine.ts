import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Schemas } from '../../api/client'
import { floor } from '../../api/floor'
import { useBuild } from '../../stores/build'
import { useStart } from './useStart'
import { said } from '../../ui/said'

type Event = Schemas['StartEvent']

/** The simulated engine: a run's gauges, and what each check would find on it. */
export const useEngine = defineStore('engine', () => {
  const build = useBuild()
  const start = useStart()
  const rows = shallowRef<Event[]>([])
  const looks = shallowRef<Record<string, string>>({})
  /** What is wrong with it, told when it is asked for. */
  const fault = ref('')
  const pace = ref(10)
  const trouble = ref('')
  const on = computed(() => rows.value.length > 0)

  async function turn(group: string, cause: string, label: string, size = 1): Promise<void> {
    trouble.value = ''
    const found: Event[] = []
    try {
      await floor.engine(build.document, { group, cause, size, seed: null }, (event) => {
        if (event.event === 'engine') looks.value = event.looks
        else found.push(event)
      })
      rows.value = found
      fault.value = label
    } catch (error) {
      trouble.value = said(error)
    }
  }
  function off(): void {
    rows.value = []
    looks.value = {}
    fault.value = ''
  }
  /** What a gauge shows now, SI; null where it has none. */
  function shows(what: string): number | null {
    const last = rows.value.at(-1)
    if (!last) return null
    const at = rows.value.findIndex((r) => r.time >= start.seconds)
    return (rows.value[at] ?? last).shows[what] ?? null
  }
  return { rows, looks, fault, pace, trouble, on, turn, off, shows }
})
