import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Edit } from '../../api/client'
import { floor } from '../../api/floor'
import { line, useBuild } from '../../stores/build'
import { newer, standing, ticked, type Order } from './logic'
import { dayOf } from '../../ui/day'
import { said } from '../../ui/said'

/** The order of work of the open build: asked again when the build changes, ticks laid over it until they are taken. */
export const useOrder = defineStore('order', () => {
  const build = useBuild()
  const order = shallowRef<Order | null>(null)
  const of = ref('')
  const trouble = ref('')
  const today = () => dayOf(new Date())

  async function load(signal: AbortSignal): Promise<void> {
    const own = build.build
    if (!own) return
    if (of.value !== own.id) order.value = null
    const found = await floor.order(build.document, today(), signal)
    if (signal.aborted || build.build?.id !== own.id) return
    order.value = found
    of.value = own.id
    trouble.value = ''
  }
  const refused = (error: unknown) => (trouble.value = said(error))

  const ticks = computed(() => new Map([...(order.value ? newer(build.document, order.value) : []), ...ticked(build.unsent)]))
  const tasks = computed(() => (order.value ? standing(order.value, ticks.value) : []))
  const byId = computed(() => new Map(tasks.value.map((t) => [t.id, t])))

  const send = (edits: Edit[]) => build.send(edits)
  const set = (path: string, text: string | null) => send([line(path, text)])
  /** Done on today's date; signed, where it is a hold. */
  const tick = (ids: string[], signed = '') => send(ids.flatMap((id) => [line(`work.tasks.${id}.done`, today()), ...(signed ? [line(`work.tasks.${id}.signed`, signed)] : [])]))
  const untick = (id: string) => send([line(`work.tasks.${id}.done`, null), line(`work.tasks.${id}.signed`, null)])
  return { order, trouble, load, refused, tasks, byId, ticks, set, send, tick, untick }
})
