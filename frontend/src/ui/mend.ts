/** Names and roles that the component library leaves out, put where it would put them. `mend.test` and the tests of the
 * pages tell when one is no longer needed. */

/** A select's field is the input inside: it carries the name, with what is picked, and the place a link lands on. */
export function nameField(box: HTMLElement | null, name: string, path?: string): void {
  const field = box?.querySelector('input')
  if (!field) return
  field.setAttribute('aria-label', name)
  // Until it is first opened it does not say that it is shut.
  if (!field.hasAttribute('aria-expanded')) field.setAttribute('aria-expanded', 'false')
  if (path) field.setAttribute('data-path', path)
}

const ACTIVE = 'aria-activedescendant'

/** Shut, a select still points at an option of a list that is not there. */
export function shutField(box: HTMLElement | null): void {
  const field = box?.querySelector('input')
  if (!field?.hasAttribute(ACTIVE)) return
  field.dataset.active = field.getAttribute(ACTIVE) ?? ''
  field.removeAttribute(ACTIVE)
}

/** The list that opens has no name, and what scrolls cannot be reached by keys. */
export function mendList(box: HTMLElement | null, name: string): void {
  const field = box?.querySelector('input')
  if (field?.dataset.active && !field.hasAttribute(ACTIVE)) field.setAttribute(ACTIVE, field.dataset.active)
  const id = field?.getAttribute('aria-controls')
  const list = id ? document.getElementById(id) : null
  if (!list) return
  list.setAttribute('aria-label', name)
  list.parentElement?.querySelector('.rc-virtual-list-holder')?.setAttribute('tabindex', '0')
  // Options that are seen say which is picked, and so must be options of a list (their role comes with each).
  const seen = list.parentElement?.querySelector('.rc-virtual-list-holder-inner')
  seen?.setAttribute('role', 'listbox')
  seen?.setAttribute('aria-label', name)
}

/** Arrows of a column's head are drawn only: its state is said by the head itself. */
export function hushSorters(box: HTMLElement | null): void {
  for (const arrow of box?.querySelectorAll('.ant-table-column-sorter [aria-label]') ?? []) arrow.removeAttribute('aria-label')
}

/** Choices beside each other belong together: arrow keys go from one to the next, Tab past them. */
export function groupRadios(box: HTMLElement | null, name: string, options: readonly unknown[]): void {
  if (!options.length) return
  for (const radio of box?.querySelectorAll('input') ?? []) radio.setAttribute('name', name)
}

/** Of tabs, only the one shown is a stop of the Tab key, and their row has a name. */
export function roveTabs(box: HTMLElement | null, name: string): void {
  box?.querySelector('[role=tablist]')?.setAttribute('aria-label', name)
  for (const tab of box?.querySelectorAll('[role=tab]') ?? []) tab.setAttribute('tabindex', tab.getAttribute('aria-selected') === 'true' ? '0' : '-1')
}

/** An arrow key in the row of tabs shows the next one. */
export function stepTab(box: HTMLElement | null, event: KeyboardEvent, by: number): void {
  const tabs = [...(box?.querySelectorAll<HTMLElement>('[role=tab]') ?? [])]
  const at = tabs.indexOf(event.target as HTMLElement)
  const next = at < 0 ? undefined : tabs[(at + by + tabs.length) % tabs.length]
  if (!next) return
  event.preventDefault()
  next.click()
  next.focus()
}

const REACHED = 'a[href], button:not([disabled]), input:not([disabled]), textarea, [tabindex="0"]'
const drawerOf = (inside: HTMLElement | null) => inside?.closest<HTMLElement>('.ant-drawer-content') ?? null

/** A drawer has neither the role of a dialog nor a name, and takes no focus of its own. */
export function nameDialog(inside: HTMLElement | null, title: string): void {
  const drawer = drawerOf(inside)
  if (!drawer) return
  drawer.setAttribute('role', 'dialog')
  drawer.setAttribute('aria-modal', 'true')
  drawer.setAttribute('aria-label', title)
  drawer.querySelector('.ant-drawer-body')?.setAttribute('tabindex', '0')
  drawer.querySelector<HTMLElement>(REACHED)?.focus()
}

/** Tab goes round inside a drawer, as in a dialog. */
export function holdFocus(event: KeyboardEvent, inside: HTMLElement | null): void {
  const all = [...(drawerOf(inside)?.querySelectorAll<HTMLElement>(REACHED) ?? [])].filter((e) => e.offsetParent !== null)
  const [first, last] = [all[0], all[all.length - 1]]
  const leaves = event.shiftKey ? document.activeElement === first : document.activeElement === last
  if (!first || !last || !leaves) return
  event.preventDefault()
  ;(event.shiftKey ? last : first).focus()
}

/** Progress says how far it is in a picture only: to a reader it is a bar with a name and a value. */
export function nameProgress(box: HTMLElement | null, name: string, percent: number): void {
  const bar = box?.querySelector('[role=progressbar]')
  bar?.setAttribute('aria-label', name)
  bar?.setAttribute('aria-valuenow', String(percent))
  bar?.setAttribute('aria-valuemin', '0')
  bar?.setAttribute('aria-valuemax', '100')
}
