import { computed, ref, shallowRef } from 'vue'
import type { Edit, Schemas } from '../../api/client'
import { floor } from '../../api/floor'
import { partsOf } from '../../station/parts'
import { line, useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import { freshId } from './logic'
import { said } from '../../ui/said'

type Catalogue = Schemas['CatalogueOut']

/** A catalogue, how its columns are read, and the search for the cheapest set of its parts. */
export function useShop() {
  const build = useBuild()
  const words = useVocabulary()
  const catalogue = shallowRef<Catalogue | null>(null)
  const name = ref('')
  const kind = ref('')
  const sure = ref(false)
  const trouble = ref('')
  const progress = ref<Schemas['ShopEvent'] | null>(null)
  const answer = shallowRef<Schemas['ShopData'] | null>(null)
  const off = ref<string[]>([])
  let file: Blob | null = null
  let ending: 'csv' | 'xlsx' = 'csv'
  let running: AbortController | undefined

  const says = ref<string[]>([])
  async function read(): Promise<void> {
    if (!file) return
    trouble.value = ''
    answer.value = null
    try {
      catalogue.value = (await floor.catalogue(file, { kind: ending, mapping: says.value.map((s) => s || '').join(';'), of_kind: kind.value })) ?? null
    } catch (error) {
      catalogue.value = null
      trouble.value = said(error)
    }
  }
  async function open(taken: File): Promise<void> {
    file = taken
    name.value = taken.name
    ending = taken.name.toLowerCase().endsWith('.xlsx') ? 'xlsx' : 'csv'
    says.value = []
    await read()
  }
  async function sample(): Promise<void> {
    const found = await floor.catalogueSample()
    if (!found) return
    file = found
    ending = 'csv'
    name.value = 'the catalogue that ships'
    says.value = []
    kind.value = ''
    await read()
  }
  function map(column: number, what: string): void {
    says.value = (catalogue.value?.columns ?? []).map((_, n) => (n === column ? what || '-' : (says.value[n] ?? '')))
    void read()
  }

  /** Places of one part that are filled and that the catalogue has something for. */
  const places = computed(() => {
    const roles = new Set(partsOf(build.document).map((p) => p.role))
    const own = catalogue.value?.parts ?? []
    return Object.entries(words.words?.places ?? {}).filter(([path, p]) => !p.many && roles.has(path) && own.some((part) => part.kind === p.kind && (!part.place || part.place === path))).map(([path, p]) => ({ path, label: p.label }))
  })
  const searched = computed(() => places.value.map((p) => p.path).filter((path) => !off.value.includes(path)))
  const stop = () => running?.abort()
  async function search(): Promise<void> {
    stop()
    const mine = (running = new AbortController())
    trouble.value = ''
    answer.value = null
    progress.value = null
    try {
      await floor.shop({ sheet: build.document, parts: catalogue.value?.parts ?? [], places: searched.value, sure: sure.value }, mine.signal, (event) => {
        if (event.event === 'answer') answer.value = event.data ?? null
        else progress.value = event
      })
    } catch (error) {
      if (!mine.signal.aborted) trouble.value = said(error)
    }
    progress.value = null
  }

  /** The parts of a set, put into their places; what they replace comes to lie on the yard. */
  const edits = computed<Edit[]>(() => {
    const taken = partsOf(build.document).map((p) => p.id)
    return (answer.value?.picks ?? []).filter((p) => p.id).flatMap((pick) => {
      const part = catalogue.value?.parts.find((p) => p.id === pick.id)
      if (!part) return []
      const id = freshId(part.name, taken)
      taken.push(id)
      const keep = { state: 'wanted', price: part.keep.price, from: part.keep.source, lead: part.keep.lead }
      return [
        line(`parts.${id}`, part.kind, { action: 'add' }),
        line(`parts.${id}.name`, part.name),
        ...Object.entries(part.facts).map(([fact, text]) => line(`parts.${id}.${fact}`, text, { evidence: 'sheet' })),
        ...Object.entries(keep).filter(([, text]) => text).map(([field, text]) => line(`parts.${id}.keep.${field}`, text)),
        line(pick.place, id, { action: 'fit' }),
      ]
    })
  })
  async function put(): Promise<void> {
    const problem = await build.enqueue(edits.value)
    trouble.value = problem?.problems[0]?.message ?? problem?.message ?? ''
    if (!problem) answer.value = null
  }
  return { catalogue, name, kind, sure, trouble, progress, answer, off, places, open, sample, map, read, search, stop, put }
}
