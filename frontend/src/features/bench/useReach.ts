import { useElementSize } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import type { Row } from '../../api/client'
import { useVocabulary } from '../../stores/vocabulary'
import { whisker } from '../../station/bands'
import { axisTop, ticks } from './logic'

/** Where everything of the reach chart stands on its axis of power; `frozen`: its end while the wanted line is dragged. */
export function useReach(props: { rows: Row[]; wanted: number }, track: Ref<HTMLElement | null>, frozen: Ref<number | null>) {
  const words = useVocabulary()
  const { width } = useElementSize(track)

  const top = computed(() => frozen.value ?? axisTop(props.wanted, props.rows))
  const shownTop = computed(() => words.value(top.value, 'power'))
  const marks = computed(() => ticks(shownTop.value, width.value < 420 ? 4 : 8))
  const share = (watts: number) => Math.min(watts / top.value, 1)
  /** Power asked of a row: what is wanted, or what its load takes. */
  const asked = (row: Row) => (row.kind === 'load' ? (row.needs_w ?? 0) : props.wanted)
  const value = (row: Row) => {
    if (row.reach_code === 'unknown') return 'not given'
    if (row.kind === 'load') return `${words.number(row.carries_w ?? 0, 'power')}${(row.fill ?? 0) > 1 ? ' of ' : ', asks '}${words.number(asked(row), 'power')}${row.state === 'assumed' ? ' ?' : ''}`
    if (row.reach_w === null) return row.reach_code === 'above' ? `over ${words.number(4 * props.wanted, 'power')}` : 'none'
    return words.number(row.reach_w, 'power') + (row.state === 'assumed' ? ' ?' : '')
  }
  const reach = (row: Row) => (row.kind === 'load' ? share(row.carries_w ?? 0) : row.reach_w === null ? (row.reach_code === 'above' ? 1 : 0) : share(row.reach_w))
  const short = (row: Row) => {
    if (row.kind === 'load') return row.state === 'short'
    return row.state !== 'assumed' && (row.reach_code === 'below' || (row.reach_w !== null && row.reach_w < props.wanted * 0.9999))
  }
  const band = (row: Row) => {
    const found = whisker(row, top.value)
    return found ? { left: `${(100 * found.low) / top.value}%`, width: `${(100 * (found.high - found.low)) / top.value}%` } : null
  }
  /** Right of the bar, its whisker and, where it is short, the wanted line. */
  const numberAt = (row: Row) => Math.max(reach(row), short(row) || row.kind === 'load' ? share(asked(row)) : 0, (whisker(row, top.value)?.high ?? 0) / top.value)

  return { top, shownTop, marks, share, asked, value, reach, short, band, numberAt }
}
