import { describe, expect, it } from 'vitest'
import type { Mark, Task } from '@/api/types'
import { outLine, roomUse } from '@/testing/answers'
import { NAMES } from '@/testing/mount'
import { conflictHead, markText } from './field'
import { nightTasks } from './night'
import { closingText, lastHour, readingText, scaleText, taskText, whereText } from './packout'

const room = roomUse()
const line = outLine()

describe('the list', () => {
  it('says where each thing goes under the name of its bag', () => {
    expect(whereText(line, [room], NAMES.person)).toBe('lid pocket: low, left, halfway out')
    expect(whereText({ ...line, placed: null }, [room], NAMES.person)).toBe('lid pocket: soft, in the remaining room')
    expect(whereText({ ...line, room: null, placed: null }, [room], NAMES.person)).toBe('no place found, see Stow')
    expect(whereText({ ...line, outside: true }, [room], NAMES.person)).toBe('strapped outside')
    expect(whereText({ ...line, bag: null }, [room], NAMES.person)).toBe(`on ${NAMES.person('ines')}`)
  })
  it('shows at the last hour what is not packed yet, worst first, ten at most', () => {
    const lines = Array.from({ length: 14 }, (_, n) => ({ ...line, id: `t${n}@ridge`, rank: 13 - n }))
    const left = lastHour(lines, (id) => id === 't13@ridge')
    expect(left.map((l) => l.rank)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])
  })
  it('names tasks with their things and their day', () => {
    const task = { id: 'task.charge', kind: 'charge', items: ['lb4'], by: '2027-02-19' } as Task
    expect(taskText(task, NAMES.thing)).toEqual({ head: 'Charge batteries and power banks', body: 'LB4 · by Fri 19 Feb' })
    expect(taskText({ ...task, kind: 'fetch' }, NAMES.thing).head).toBe('Fetch LB4')
  })
  it('explains what the scale shows against the plan', () => {
    expect(scaleText(8000, 8412, [{ count: 1 }, { count: 2 }], 'metric')).toBe('412 g more than planned: 3 items in it never weighed')
    expect(scaleText(8000, 7900, [], 'metric')).toContain('100 g less than planned: everything in it was weighed')
    expect(scaleText(8000, 8010, [], 'metric')).toBe('as planned')
  })
  it('says plainly what the scale does', () => {
    expect(readingText({ state: 'stable', grams: 8420, garbled: 0 }, 'metric')).toBe('The scale shows 8.42 kg.')
    expect(readingText({ state: 'not-there', grams: null, garbled: 0 }, 'metric')).toBe('No scale is connected. Type what yours shows.')
    expect(readingText({ state: 'silent', grams: null, garbled: 3 }, 'metric')).toContain('3 garbled lines ignored')
  })
  it('tells each last check, good or bad', () => {
    expect(closingText({ check: 'lithium', passes: true, findings: 0 })).toBe('Lithium is where it is allowed')
    expect(closingText({ check: 'room', passes: false, findings: 2 })).toBe('2 items without a place: see Stow')
  })
})

describe('marks', () => {
  it('are said in a few words', () => {
    expect(markText({ do: 'missed', day: '2027-02-21', wanted: 'eagle', focal_mm: 300, had_mm: 105, note: '' }, NAMES, 'metric')).toBe('missed: eagle (300 mm full-frame), had 105 mm')
    expect(markText({ do: 'swap', item: 'lb4', body: 'c1', day: '2027-02-21', frames: 310, at_c: -8 }, NAMES, 'metric')).toBe('LB4 changed in C1 after 310 frames at −8 °C')
    expect(markText({ do: 'cold', day: '2027-02-21', lowest_c: -8 }, NAMES, 'imperial')).toBe('coldest 18 °F')
    expect(markText({ do: 'weighed', bag: 'ridge', grams: 8567, source: 'typed' }, NAMES, 'imperial')).toContain('18.9 lb')
    expect(markText({ do: 'card', item: 'sd', piece: 2, state: 'full', copies: 1 }, NAMES, 'metric')).toBe('SD no. 2 full, copied 1 ×')
    const mark = { id: 'm', device: 'd', seq: 1, at: '', after: [], what: { do: 'card', item: 'sd', piece: 2, state: 'full', copies: 0 } } as Mark
    expect(conflictHead({ subject: 'card:sd#2', marks: [mark] }, NAMES)).toBe('SD no. 2:')
  })
  it.each([
    ['lb4@ridge.outside', 'LB4:'],
    ['task.charge', 'Charge batteries and power banks:'],
    ['task.fetch.tele', 'Fetch TELE:'],
    ['night:2027-02-21:copy', 'Night of Sun 21 Feb, copying:'],
    ['task.later', 'A line on the list:'],
    ['night:2027-02-21:later', 'Night of Sun 21 Feb:'],
    ['out.2027-02-21.lb4#1', 'LB4, going out on Sun 21 Feb:'],
    ['back.2027-02-21.lb4#2', 'LB4, coming back on Sun 21 Feb:'],
  ])('names the line of which two devices say different things: %s', (line, head) => {
    const mark = { id: 'm', device: 'd', seq: 1, at: '', after: [], what: { do: 'tick', line, done: true } } as Mark
    expect(conflictHead({ subject: `line:${line}`, marks: [mark] }, NAMES)).toBe(head)
  })
})

describe('the list of a night', () => {
  it('is made from the boards', () => {
    const packs = [{ item: 'lb', name: 'LB-4', piece: 1, state: 'spent' as const }, { item: 'lb', name: 'LB-4', piece: 2, state: 'ready' as const }, { item: 'lb', name: 'LB-4', piece: 3, state: 'charging' as const }]
    const cards = [{ item: 'sd', name: 'SD', piece: 1, state: 'full' as const, copies: 1 }]
    const [charge, copy] = nightTasks('2027-02-21', { packs, cards, copies: 2, night: null, mains: false })
    expect(charge).toEqual({ line: 'night:2027-02-21:charge', head: 'Charge 2 × LB-4', body: 'no mains here' })
    expect(copy!.head).toBe('Copy SD')
    expect(nightTasks('2027-02-21', { packs: [], cards: [], copies: 2, night: null, mains: true }).map((t) => t.head).slice(0, 2)).toEqual(['Charge: no battery is spent', 'Copies: enough for every card'])
  })
})
