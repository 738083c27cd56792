import { describe, expect, it } from 'vitest'
import { folded, type Notice } from './notices'

const notice = (sentence: string, duty: string, more: Partial<Notice> = {}): Notice => ({ code: 'outside_range', field: 'engine.rated_speed', part: 'engine', sentence, duty, ...more })

describe('folded', () => {
  it('says once what is true of one part in several duties', () => {
    const said = folded([notice('Fast on run.', 'run'), notice('Fast on pull.', 'pull'), notice('Fast on grade.', 'grade')], { pull: 'Full-throttle pull', grade: 'Long grade' })
    expect(said).toHaveLength(1)
    expect(said[0]?.sentence).toBe('Fast on run.')
    expect(said[0]?.also).toEqual(['full-throttle pull', 'long grade'])
  })

  it('keeps parts, facts and what no duty changes apart', () => {
    const said = folded([
      notice('A.', 'run'), notice('B.', 'run', { part: 'pipe' }), notice('C.', 'run', { field: 'exhaust.pipe.roughness' }),
      notice('D.', ''), notice('E.', ''),
    ], {})
    expect(said.map((s) => s.sentence)).toEqual(['A.', 'B.', 'C.', 'D.', 'E.'])
  })
})
