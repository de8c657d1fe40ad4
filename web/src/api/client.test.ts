// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from 'vitest'
import { heardOf, noticeOther, onOtherAccount, ownHeaders, speakFor } from './client'

describe('whose page it is', () => {
  const anew = vi.fn()
  onOtherAccount(anew)
  afterEach(() => {
    speakFor(null)
    anew.mockClear()
  })
  it('is said with every request once somebody is known', () => {
    expect(ownHeaders()['X-Account']).toBeUndefined()
    heardOf('ines')
    expect(ownHeaders()['X-Account']).toBe('ines')
    expect(anew).not.toHaveBeenCalled()
  })
  it('begins anew when the server names another, or says so of a request', () => {
    heardOf('ines')
    heardOf('marit')
    expect(anew).toHaveBeenCalledTimes(1)
    expect(ownHeaders()['X-Account']).toBe('ines')
    noticeOther(new Response('', { status: 401, headers: { 'X-Other-Account': 'yes' } }))
    expect(anew).toHaveBeenCalledTimes(2)
    noticeOther(new Response('', { status: 401 }))
    expect(anew).toHaveBeenCalledTimes(2)
  })
  it('follows somebody who signs in on it', () => {
    heardOf('ines')
    speakFor('marit')
    heardOf('marit')
    expect(anew).not.toHaveBeenCalled()
  })
})
