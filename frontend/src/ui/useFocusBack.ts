import { onBeforeUnmount, watch, type Ref } from 'vue'

/** What had the focus before something was opened has it again once that is shut or gone. */
export function useFocusBack(open: Ref<boolean>): void {
  let before: Element | null = null
  const back = () => {
    if (before instanceof HTMLElement && before.isConnected) before.focus()
    before = null
  }
  watch(open, (shown) => {
    if (shown) before = document.activeElement
    else back()
  }, { immediate: true, flush: 'sync' })
  onBeforeUnmount(back)
}
