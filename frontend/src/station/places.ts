import type { RouteLocationRaw } from 'vue-router'
import type { useVocabulary } from '../stores/vocabulary'

/** Where a fact of a build is typed. */
export function factAt(words: ReturnType<typeof useVocabulary>, id: string | undefined, path: string): RouteLocationRaw {
  return { name: words.field(path)?.station ?? 'bench', params: { id }, hash: `#${path}` }
}
