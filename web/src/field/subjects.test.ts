import { describe, expect, it } from 'vitest'
import type { FieldOut, Mark, What } from '@/api/types'
import { replaced, standing, subjectOf, ticked, toggled } from './subjects'

const mark = (id: string, what: What, after: string[] = []): Mark => ({ id, device: 'd', seq: 1, at: '2027-02-21T08:00:00Z', after, what })
const card = (state: 'blank' | 'full'): What => ({ do: 'card', item: 'sd', piece: 2, state, copies: 0 })
const field = (marks: Mark[], now: Record<string, Mark> = {}, conflicts: FieldOut['conflicts'] = []): FieldOut => ({ marks, now, conflicts })

describe('what stands', () => {
  it('is what waits here, over what the server knows', () => {
    const old = mark('1', card('blank'))
    const made = standing(field([old], { 'card:sd#2': old }), [mark('2', card('full'))])
    expect(made.now.get('card:sd#2')!.id).toBe('2')
    expect(replaced(made, card('blank'))).toEqual(['2'])
  })
  it('forgets what the server has by now', () => {
    const sent = mark('1', { do: 'tick', line: 'a@b', done: true })
    const later = mark('2', { do: 'tick', line: 'a@b', done: false })
    expect(ticked(standing(field([sent, later], { 'line:a@b': later }), [sent]), 'a@b')).toBe(false)
  })
  it('turns a line to the other of what it is by then', () => {
    const once = standing(undefined, [mark('1', toggled('a@b')(standing(undefined, [])))])
    expect(ticked(once, 'a@b')).toBe(true)
    expect(toggled('a@b')(once)).toEqual({ do: 'tick', line: 'a@b', done: false })
  })
  it('keeps what happened in order, once', () => {
    const used = (id: string): Mark => mark(id, { do: 'used', item: 'tele', day: '2027-02-21' })
    expect(standing(field([used('1')]), [used('1'), used('2')]).log.map((m) => m.id)).toEqual(['1', '2'])
    expect(subjectOf(used('1').what)).toBeNull()
  })
  it('replaces both sides of a disagreement when somebody decides', () => {
    const both = [mark('1', card('blank')), mark('2', card('full'))]
    const told = field(both, { 'card:sd#2': both[1]! }, [{ subject: 'card:sd#2', marks: both }])
    expect(replaced(standing(told, []), card('full')).sort()).toEqual(['1', '2'])
    expect(standing(told, [mark('3', card('full'), ['1', '2'])]).conflicts).toEqual([])
  })
})
