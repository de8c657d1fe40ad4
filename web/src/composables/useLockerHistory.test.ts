import { beforeEach, describe, expect, it } from 'vitest'
import type { Thing, ThingDoc } from '@/api/types'
import { back, forgetSteps, noted, standing, useLockerHistory } from './useLockerHistory'

const thing = (id: string, name = id): Thing => ({ id, name, kind: 'other', purpose: 'straps', mass_g: 1, size: { shape: 'soft', volume_l: 1 } }) as Thing

describe('steps of the locker', () => {
  let docs: ThingDoc[]
  const change = async (wish: { put: ThingDoc[]; remove: string[] }) => {
    const ids = [...wish.remove, ...wish.put.map((doc) => doc.thing.id)]
    docs = [...docs.filter((doc) => !ids.includes(doc.thing.id)), ...wish.put.map((doc) => ({ version: doc.version + 1, thing: doc.thing }))]
  }
  beforeEach(() => {
    forgetSteps()
    docs = [{ version: 3, thing: thing('old') }]
  })
  it('take back a change, an addition and a removal together, and do them again', async () => {
    noted({ says: 'all of it', before: standing(['old', 'new', 'gone'], [...docs, { version: 2, thing: thing('gone') }]) })
    docs = [{ version: 4, thing: thing('old', 'another name') }, { version: 1, thing: thing('new') }]
    const history = useLockerHistory(() => docs, change)
    expect(await history.undo()).toBe('all of it')
    expect(docs.map((doc) => doc.thing.name).sort()).toEqual(['gone', 'old'])
    expect(history.last.value).toBeNull()
    await history.redo()
    expect(docs.map((doc) => doc.thing.name).sort()).toEqual(['another name', 'new'])
    expect(history.last.value).toBe('all of it')
  })
  it('is kept when the server refuses', async () => {
    noted({ says: 'a thing added', before: standing(['old'], []) })
    const history = useLockerHistory(() => docs, () => Promise.reject(new Error('still loaded')))
    await expect(history.undo()).rejects.toThrow('still loaded')
    expect(history.last.value).toBe('a thing added')
  })
  it('sends the version that stands now, and none for what is not there', () => {
    expect(back({ says: '', before: [{ id: 'old', thing: thing('old') }, { id: 'away', thing: thing('away') }] }, docs).put.map((doc) => doc.version)).toEqual([3, 0])
  })
})
