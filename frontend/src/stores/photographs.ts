import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { Offline, type Schemas } from '../api/client'
import { files } from '../api/files'
import { useBuild } from './build'
import { said } from '../ui/said'

export type Photograph = Schemas['PhotographOut']

/** Photographs of the open build, by what they are of. */
export const usePhotographs = defineStore('photographs', () => {
  const build = useBuild()
  const all = shallowRef<Photograph[]>([])
  const of = ref('')
  const sending = ref(0)
  const trouble = ref('')

  const told = (error: unknown) => (trouble.value = said(error))
  /** Once a build; those taken meanwhile on another phone come with the next look. */
  async function load(again = false): Promise<void> {
    const id = build.build?.id
    if (!id || (of.value === id && !again)) return
    of.value = id
    all.value = []
    try {
      const found = await files.photographs(id)
      if (of.value === id) all.value = found?.photographs ?? []
    } catch (error) {
      of.value = ''
      told(error)
    }
  }
  const bySubject = computed(() => {
    const found = new Map<string, Photograph[]>()
    for (const photo of all.value) found.set(photo.subject, [...(found.get(photo.subject) ?? []), photo])
    return found
  })
  const countOf = (subject: string) => bySubject.value.get(subject)?.length ?? 0

  async function add(subject: string, taken: readonly File[]): Promise<void> {
    const id = build.build?.id
    if (!id) return
    trouble.value = ''
    for (const file of taken) {
      sending.value++
      try {
        const kept = await files.photograph(id, subject, file)
        if (kept) all.value = [kept, ...all.value]
      } catch (error) {
        trouble.value = error instanceof Offline ? `${file.name} was not sent: the server is not reached. It is still in the phone's own pictures.` : `${file.name}: ${said(error)}`
      }
      sending.value--
    }
  }
  async function drop(id: string): Promise<void> {
    try {
      await files.dropPhotograph(id)
      all.value = all.value.filter((p) => p.id !== id)
    } catch (error) {
      told(error)
    }
  }
  return { all, bySubject, sending, trouble, load, countOf, add, drop }
})
