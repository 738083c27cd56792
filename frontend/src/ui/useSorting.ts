import Sortable from 'sortablejs'
import { onBeforeUnmount, watch, type Ref } from 'vue'

/** Items of a list dragged by their handles into another order, by mouse or finger. The list itself stays as it is drawn:
 * `moved` brings the new order about. */
export function useSorting(list: Ref<HTMLElement | null>, handle: string, moved: (from: number, to: number) => void): void {
  let sorting: Sortable | undefined
  watch(list, (element) => {
    sorting?.destroy()
    sorting = element
      ? Sortable.create(element, {
          handle,
          animation: 0,
          forceFallback: true, // one way for mouse and finger; a browser's own dragging knows no finger
          onEnd: ({ oldIndex, newIndex, item, from }) => {
            if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return
            // Back to where the page drew it; it is drawn anew once the order is kept.
            from.removeChild(item)
            from.insertBefore(item, from.children[oldIndex] ?? null)
            moved(oldIndex, newIndex)
          },
        })
      : undefined
  }, { flush: 'post' })
  onBeforeUnmount(() => sorting?.destroy())
}
