import { describe, expect, it } from 'vitest'
import { line } from '../../stores/build'
import { breaksNow, freshId, heldBy, hours, hoursTo, newer, said, short, standing, ticked, type Order, type Task } from './logic'
import { dayOf } from '../../ui/day'

const task = (id: string, after: string[], more: Partial<Task> = {}): Task => ({
  id, title: id, stage: 'strip', branch: '', why: '', hours: { low: 1, likely: 2, high: 4 }, hours_stated: false, hands: 1, lift: false, lag_h: 0, lag_why: '', hold: '', tools: [], materials: [], covers: '', caution: '',
  after: after.map((a) => ({ id: a, title: a, why: '', done: false })), opens: [], own: false, state: 'held', done: '', signed: '', note: '', held_tasks: after, held_things: [], begin_h: 0, end_h: 2, dry_h: 2, day: '', decides: 0, free_decides: 0, slack_h: 0, breaks: [], ...more,
})
const order = (tasks: Task[]) => ({ tasks }) as unknown as Order

describe('ticks not yet sent', () => {
  it('are the edits that say done, the last of each', () => {
    const found = ticked([line('work.tasks.drain.done', '2026-11-29'), line('work.tasks.drain.note', 'x'), line('work.tasks.drain.done', null)])
    expect([...found]).toEqual([['drain', '']])
  })
  it('open what waited for them alone', () => {
    const tasks = standing(order([task('a', [], { state: 'ready' }), task('b', ['a']), task('c', ['a', 'b'])]), new Map([['a', '2026-11-29']]))
    expect(tasks.map((t) => t.state)).toEqual(['done', 'ready', 'held'])
    expect(tasks[2]?.held_tasks).toEqual(['b'])
  })
  it('do not open what a thing is awaited for', () => {
    const tasks = standing(order([task('a', [], { state: 'ready' }), task('b', ['a'], { held_things: ['buy_x'] })]), new Map([['a', '2026-11-29']]))
    expect(tasks[1]?.state).toBe('held')
  })
  it('do not dry what was painted today', () => {
    const tasks = standing(order([task('paint', [], { state: 'done', done: '2026-11-29', dry_h: 42 }), task('fit', ['paint']), task('c', [], { state: 'ready' })]), new Map([['c', '2026-11-29']]))
    expect(tasks[1]?.state).toBe('held')
    expect(heldBy(tasks[1] as Task, tasks, [])?.words).toBe('paint, still drying')
  })
  it('taken off again close what followed', () => {
    const tasks = standing(order([task('a', [], { state: 'done', done: '2026-11-01' }), task('b', ['a'], { state: 'ready', held_tasks: [] })]), new Map([['a', '']]))
    expect(tasks.map((t) => t.state)).toEqual(['ready', 'held'])
  })
  it('are seen in the build before the order is worked anew', () => {
    const known = order([task('a', [], { done: '2026-11-01' }), task('b', [])])
    expect([...newer({ work: { tasks: [{ id: 'b', done: '2026-11-02' }] } }, known)]).toEqual([['a', ''], ['b', '2026-11-02']])
    expect(newer({}, order([task('a', [])])).size).toBe(0)
  })
  it('mend what a later tick would have broken', () => {
    const broken = { task: 'c', missing: 'a', title: 'a', why: '', undo_h: 6, lost: '', redone: [], minutes: 20 }
    const c = task('c', ['a'], { breaks: [broken] })
    expect(breaksNow(c, [task('a', []), c])).toHaveLength(1)
    expect(breaksNow(c, [task('a', [], { state: 'done' }), c])).toHaveLength(0)
  })
})

describe('words', () => {
  it('say hours and minutes', () => {
    expect(hours(0.25)).toBe('15 min')
    expect(hours(2.5)).toBe('2.5 h')
    expect(hours(30.4)).toBe('30 h')
  })
  it('say days', () => {
    expect(said('2026-11-29')).toBe('Sun 29 Nov')
    expect(dayOf(new Date(2026, 0, 5, 23, 59))).toBe('2026-01-05')
  })
  it('measure days in hours, over a change of the clock too', () => {
    expect(hoursTo('2026-03-28', '2026-03-30')).toBe(48)
  })
  it('name what holds: a thing first, then a hold, then the first of the tasks', () => {
    const tasks = [task('a', []), task('b', [], { hold: 'signed' })]
    const thing = { id: 'buy_x', label: 'Adapter', late_days: 3 } as never
    expect(heldBy(task('c', ['a', 'b'], { held_things: ['buy_x'] }), tasks, [thing])).toEqual({ kind: 'thing', words: 'Adapter, late', late: true })
    expect(heldBy(task('c', ['a', 'b']), tasks, [])).toEqual({ kind: 'hold', words: 'b and 1 more', late: false })
    expect(heldBy(task('c', ['a']), tasks, [])?.kind).toBe('task')
    expect(heldBy(task('c', []), tasks, [])).toBeNull()
  })
  it('shorten a title to what comes before its list', () => {
    expect(short('Clear the way: lower bracket, bumper')).toBe('Clear the way')
  })
  it('make short names that none has', () => {
    expect(freshId('Radiator hose, 38 mm', ['radiator_hose_38_mm'])).toBe('radiator_hose_38_mm_2')
    expect(freshId('öl', [])).toBe('l')
  })
})
