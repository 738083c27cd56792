import { shallowRef, watch } from 'vue'
import { api, type NeedRow } from '../api/client'
import { useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import { useLatest } from '../api/useLatest'

/** Ends of every need: they come after the likely figures, for they take a build drawn many times. */
export function useNeedBands() {
  const build = useBuild()
  const words = useVocabulary()
  const rows = shallowRef<NeedRow[]>([])
  const { ask } = useLatest(async (signal) => {
    rows.value = (await api.needs(build.document, signal)).needs
  }, 0, () => (rows.value = []))
  watch(() => build.build?.revision, (revision) => revision !== undefined && void ask(), { immediate: true })
  const row = (system: string, quantity: string) => rows.value.find((r) => r.system === system && r.quantity === quantity)
  /** "0.16 to 0.28 m2", in words where an end is not there. */
  const band = (system: string, quantity: string) => {
    const found = row(system, quantity)
    if (!found || (found.low === null && found.high === null)) return ''
    if (found.low === found.high) return 'whatever the doubts'
    const low = found.low === null || found.low === undefined ? '?' : words.number(found.low, found.unit)
    return found.high === null || found.high === undefined ? `${low} or more` : `${low} to ${words.show(found.high, found.unit)}`
  }
  return { row, band }
}
