import type { Schemas } from '../api/client'

export type Notice = Schemas['NoticeOut']

export interface Said {
  key: string
  sentence: string
  /** Names of other duties of which the same is true. */
  also: string[]
}

/** One line for what is true of one part in several duties: the first's sentence, and the names of the others. */
export function folded(notices: readonly Notice[], names: Record<string, string>): Said[] {
  const found = new Map<string, Said>()
  for (const notice of notices) {
    // What no duty changes stands by itself.
    const key = notice.duty ? `${notice.code} ${notice.part} ${notice.field}` : `${notice.code} ${notice.sentence}`
    const first = found.get(key)
    if (first) first.also.push((names[notice.duty] ?? notice.duty).toLowerCase())
    else found.set(key, { key, sentence: notice.sentence, also: [] })
  }
  return [...found.values()]
}
