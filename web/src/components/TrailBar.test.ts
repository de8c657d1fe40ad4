// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { KEY, queries } from '@/api/cache'
import { stationsQuery } from '@/api/queries/field'
import { mounted, signedIn } from '@/testing/mount'
import TrailBar from './TrailBar.vue'

let shown: ReturnType<typeof mounted>
beforeEach(() => {
  queries.clear()
  signedIn()
})
afterEach(() => shown?.unmount())

const stations = [
  { name: 'brief', mark: 'done' },
  { name: 'bench', mark: 'blocked' },
  { name: 'stow', mark: 'open' },
]
const at = { trip: 'coast', kit: 'a', stations, stamp: '3.1', cautions: [] as string[] }
function told(): Record<string, string> {
  return Object.fromEntries(shown.findAll('a').map((a) => [a.get('.title').text(), a.get('.visually-hidden').text().replace(', ', '')]))
}

describe('the trail', () => {
  it('says of each station how far it is, by its shape as well', () => {
    shown = mounted(TrailBar, at)
    expect(told()).toMatchObject({ Brief: 'done', Bench: 'blocked', Stow: 'open', 'Pack-out': 'open', Trail: 'open', 'Look back': 'open' })
    expect(shown.findAll('svg .done')).toHaveLength(1)
    expect(shown.findAll('svg .blocked')).toHaveLength(1)
  })
  it('knows from the notes how far the field is', () => {
    queries.setQueryData(stationsQuery({ trip: 'coast', kit: 'a', stamp: '3.1' }).queryKey, [
      { name: 'packout', mark: 'done' },
      { name: 'trail', mark: 'blocked' },
      { name: 'lookback', mark: 'open' },
    ])
    shown = mounted(TrailBar, at)
    expect(told()).toMatchObject({ 'Pack-out': 'done', Trail: 'blocked', 'Look back': 'open' })
  })
  it('marks Stow as done once the kit was packed whole as it is, and no other', () => {
    queries.setQueryData(KEY.packed('coast', 'a'), { stamp: '3.1', left: 0 })
    shown = mounted(TrailBar, at)
    expect(told().Stow).toBe('done')
    shown.unmount()
    queries.setQueryData(KEY.packed('coast', 'a'), { stamp: '2.1', left: 0 })
    shown = mounted(TrailBar, at)
    expect(told().Stow).toBe('open')
    shown.unmount()
    queries.setQueryData(KEY.packed('coast', 'a'), { stamp: '3.1', left: 1 })
    shown = mounted(TrailBar, at)
    expect(told().Stow).toBe('open')
  })
})
