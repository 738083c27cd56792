// @vitest-environment happy-dom
import Drawer from 'ant-design-vue/es/drawer'
import Progress from 'ant-design-vue/es/progress'
import Segmented from 'ant-design-vue/es/segmented'
import Select from 'ant-design-vue/es/select'
import Tabs from 'ant-design-vue/es/tabs'
import { afterEach, describe, expect, it } from 'vitest'
import { createApp, h, nextTick, type Component } from 'vue'
import { groupRadios, nameDialog, nameField, nameProgress, roveTabs, shutField, stepTab } from './mend'

const OPTIONS = [{ value: 'a', label: 'one' }, { value: 'b', label: 'two' }]
let unmount = () => {}
async function drawn(what: Component, props: object, children?: object): Promise<HTMLElement> {
  const box = document.createElement('div')
  document.body.append(box)
  const app = createApp({ render: () => h(what as never, props, children as never) })
  app.mount(box)
  unmount = () => (app.unmount(), document.body.replaceChildren())
  await nextTick()
  await nextTick()
  return box
}
afterEach(() => unmount())

/** Each of these fails once the library has mended itself: then its mend can go. */
describe('what the library leaves out, and what is put there', () => {
  it('a select: name and state on its field', async () => {
    const box = await drawn(Select, { options: OPTIONS, value: 'a', 'aria-label': 'Duty' })
    const field = box.querySelector('input')
    expect(field?.getAttribute('aria-label')).toBeNull()
    expect(field?.getAttribute('aria-expanded')).toBeNull()
    expect(field?.getAttribute('aria-activedescendant')).not.toBeNull()
    nameField(box, 'Duty: one', 'fuel.line')
    shutField(box)
    expect(field?.getAttribute('aria-activedescendant')).toBeNull()
    expect([field?.getAttribute('aria-label'), field?.getAttribute('aria-expanded'), field?.dataset.path]).toEqual(['Duty: one', 'false', 'fuel.line'])
  })

  it('segments: one group of radios', async () => {
    const box = await drawn(Segmented, { options: OPTIONS, value: 'a' })
    const names = () => [...box.querySelectorAll('input')].map((radio) => radio.name)
    expect(names()).toEqual(['', ''])
    groupRadios(box, 'duty', OPTIONS)
    expect(names()).toEqual(['duty', 'duty'])
  })

  it('tabs: a name, one stop of the Tab key, arrows', async () => {
    const panes = { default: () => [h(Tabs.TabPane, { key: 'a', tab: 'Air' }), h(Tabs.TabPane, { key: 'b', tab: 'Loop' })] }
    const box = await drawn(Tabs, { activeKey: 'a', animated: false }, panes)
    const tabs = [...box.querySelectorAll<HTMLElement>('[role=tab]')]
    expect(box.querySelector('[role=tablist]')?.getAttribute('aria-label')).toBeNull()
    expect(tabs.map((tab) => tab.tabIndex)).toEqual([0, 0])
    roveTabs(box, 'Drawings')
    expect(box.querySelector('[role=tablist]')?.getAttribute('aria-label')).toBe('Drawings')
    expect(tabs.map((tab) => tab.tabIndex)).toEqual([0, -1])
    const key = new KeyboardEvent('keydown', { key: 'ArrowRight', cancelable: true })
    Object.defineProperty(key, 'target', { value: tabs[0] })
    stepTab(box, key, 1)
    expect(document.activeElement).toBe(tabs[1])
  })

  it('a drawer: role, name, focus', async () => {
    await drawn(Drawer, { open: true }, { default: () => h('div', { id: 'inside' }, h('button', 'first')) })
    const drawer = document.querySelector('.ant-drawer-content')
    const inside = document.getElementById('inside')
    expect([drawer?.getAttribute('role'), drawer?.getAttribute('aria-label')]).toEqual([null, null])
    nameDialog(inside, 'Stations')
    expect([drawer?.getAttribute('role'), drawer?.getAttribute('aria-modal'), drawer?.getAttribute('aria-label')]).toEqual(['dialog', 'true', 'Stations'])
  })

  it('progress: a name and a value', async () => {
    const box = await drawn(Progress, { percent: 40, showInfo: false })
    const bar = box.querySelector('[role=progressbar]')
    expect([bar?.getAttribute('aria-label'), bar?.getAttribute('aria-valuenow')]).toEqual([null, null])
    nameProgress(box, 'Changes run', 40)
    expect([bar?.getAttribute('aria-label'), bar?.getAttribute('aria-valuenow')]).toEqual(['Changes run', '40'])
  })
})
