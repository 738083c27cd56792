import { computed, type Ref } from 'vue'
import type { Edit, Field } from '../api/client'
import { line, useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import type { Act } from '../ui/acts'
import { inPlace, type Part } from './parts'
import { useSending } from './useSending'

/** One part of the build: what it is called, where its facts are, what can be done with it. */
export function usePart(part: Ref<Part>) {
  const build = useBuild()
  const words = useVocabulary()
  const place = computed(() => (part.value.role ? words.words?.places[part.value.role] : undefined))
  const kind = computed(() => words.words?.part_kinds[part.value.kind])
  const called = computed(() => part.value.name || place.value?.label || kind.value?.label || part.value.kind)
  /** Where its facts are kept: a place that one part fills has them itself. */
  const base = computed(() => (!part.value.role ? `parts.${part.value.id}` : place.value?.many ? `${part.value.role}.${part.value.id}` : part.value.role))
  const fact = (name: string) => build.build?.facts[`${base.value}.${name}`]
  const chosen = (name: string) => (fact(name) ?? build.build?.facts[name])?.text ?? ''
  const fields = computed<Field[]>(() => (place.value ?? kind.value)?.fields.filter((f) => Object.entries(f.when).every(([name, choices]) => choices.includes(chosen(name)))) ?? [])
  /** What is stated of it, in a line. */
  const said = computed(() => fields.value.flatMap((f) => {
    const found = fact(f.name)
    return found && found.evidence !== 'rule' && found.si !== 0 ? [found.shown] : []
  }).join(' · '))
  const state = computed(() => (part.value.keep?.state ? words.words?.states[part.value.keep.state] : undefined))

  const others = computed(() => (part.value.role ? inPlace(build.document, part.value.role) : []))
  const at = computed(() => others.value.findIndex((p) => p.id === part.value.id))
  /** Places that such a part could fill. */
  const fits = computed(() => Object.entries(words.words?.places ?? {}).filter(([path, p]) => p.kind === part.value.kind && path !== part.value.role))
  const acts = computed<Act[]>(() => {
    if (!part.value.role) return [...fits.value.map(([path, p]) => ({ id: `fit ${path}`, label: `Fit it: ${p.label.toLowerCase()}` })), { id: 'copy', label: 'Copy it' }, { id: 'remove', label: 'Let it go', danger: true }]
    const order = place.value?.many ? [{ id: 'repeat', label: 'Repeat it here' }, { id: 'earlier', label: 'Earlier', off: at.value <= 0 }, { id: 'later', label: 'Later', off: at.value >= others.value.length - 1 }] : []
    return [...order, { id: 'copy', label: 'Copy it to the yard' }, { id: 'take', label: 'Take it to the yard' }, ...(place.value?.many ? [{ id: 'remove', label: 'Let it go', danger: true }] : [])]
  })

  const { send: sendEdit, trouble } = useSending()
  const send = (path: string, text: string | null, more: Partial<Edit> = {}) => sendEdit(line(path, text, more))
  const own = () => `parts.${part.value.id}`
  const move = (index: number) => send(own(), null, { action: 'move', index })
  const rename = (text: string) => send(`${own()}.name`, text.trim() || null)
  function act(id: string): Promise<boolean> {
    const [what = '', where = ''] = id.split(' ')
    if (what === 'fit') return send(where, part.value.id, { action: 'fit' })
    if (what === 'take') return send(part.value.role ?? '', place.value?.many ? part.value.id : null, { action: 'take' })
    if (what === 'earlier' || what === 'later') return move(at.value + (what === 'later' ? 1 : -1))
    return send(own(), null, { action: what as 'copy' | 'remove' | 'repeat' })
  }
  return { place, called, base, fields, said, state, acts, act, move, rename, trouble }
}
