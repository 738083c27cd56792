import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api, type Display, type Field, type Schemas, type Vocabulary } from '../api/client'
import { digits, inUnit, show as showValue } from '../ui/format'

/** Units a build may be shown in. */
export const UNIT_CHOICES = [
  { system: 'metric', power: 'kW', name: 'Metric · kW', brief: 'kW' },
  { system: 'metric', power: 'hp', name: 'Metric · hp', brief: 'hp' },
  { system: 'metric', power: 'PS', name: 'Metric · PS', brief: 'PS' },
  { system: 'imperial', power: 'hp', name: 'Inch · hp', brief: 'in · hp' },
] as const

/** Words, fields, kinds and units, read once; `units` follows the build that is open. */
export const useVocabulary = defineStore('vocabulary', () => {
  const words = shallowRef<Vocabulary | null>(null)
  const units = ref<Schemas['UnitsDocument']>({ system: 'metric', power: 'kW' })
  const kinds = computed<Record<string, Display>>(() => words.value?.kinds[`${units.value.system}/${units.value.power}`] ?? {})

  const chosenUnits = computed(() => UNIT_CHOICES.findIndex((u) => u.system === units.value.system && u.power === units.value.power))

  async function load(): Promise<void> {
    words.value ??= await api.vocabulary()
  }

  function field(path: string): Field | undefined {
    if (path === 'wanted') return words.value?.wanted
    const [section = '', ...rest] = path.split('.')
    const name = section === 'duties' ? rest[rest.length - 1] : rest.join('.')
    const own = words.value?.sections[section]?.fields.find((f) => f.name === name)
    // Of a place that several parts fill: section.place.part.fact.
    return own ?? words.value?.places[`${section}.${rest[0]}`]?.fields.find((f) => f.name === rest[2])
  }

  /** A way of knowing, and those a builder may say, best first. */
  const known = (id: string) => words.value?.evidence.find((e) => e.id === id)
  const stated = computed(() => (words.value?.evidence ?? []).flatMap((e) => (e.id === 'rule' ? [] : [e.id])))
  /** A fact's name, or its path where it has none. */
  const label = (path: string) => field(path)?.label ?? words.value?.places[path]?.label ?? path
  /** The same inside a sentence. */
  const within = (path: string) => label(path).replace(/^[A-Z](?=[a-z])/, (first) => first.toLowerCase())
  const show = (si: number | null | undefined, kind: string) => showValue(si, kinds.value[kind])
  const unit = (kind: string) => kinds.value[kind]?.symbol ?? ''
  const value = (si: number, kind: string) => {
    const display = kinds.value[kind]
    return display ? inUnit(si, display) : si
  }
  const number = (si: number, kind: string) => {
    const display = kinds.value[kind]
    return display ? digits(inUnit(si, display), display) : String(si)
  }
  const toSi = (shown: number, kind: string) => {
    const display = kinds.value[kind]
    return display ? shown * display.factor + display.offset : shown
  }

  return { words, units, kinds, chosenUnits, known, stated, load, field, label, within, show, unit, value, number, toSi }
})
