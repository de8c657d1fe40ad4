import { describe, expect, it } from 'vitest'
import { doorLine, nightLine, readLine } from './lines'

describe('a line', () => {
  it.each([
    ['lb4@ridge', { sort: 'thing', item: 'lb4' }],
    ['lb4@ridge.outside', { sort: 'thing', item: 'lb4' }],
    ['coat@on.ines', { sort: 'thing', item: 'coat' }],
    ['task.charge', { sort: 'task', kind: 'charge' }],
    ['task.fetch.tele', { sort: 'fetch', item: 'tele' }],
    [nightLine('2027-02-21', 'copy'), { sort: 'night', date: '2027-02-21', look: 'copy' }],
    [doorLine('out', '2027-02-21', 'lb4', 2), { sort: 'out', date: '2027-02-21', item: 'lb4' }],
    [doorLine('back', '2027-02-21', 'task', 1), { sort: 'back', date: '2027-02-21', item: 'task' }],
    ['of-a-later-version', { sort: 'other' }],
  ])('says what it is about: %s', (line, about) => {
    expect(readLine(line)).toEqual(about)
  })
})
