import { expect, it } from 'vitest'
import { asProblem, byField, looseRules, Problem, ruleText, sentence } from './problem'

const problem = new Problem(422, 'This cannot be used as it is.', [
  { field: 'gear.3.mass_g', value: '-1', rule: '0 g or more' },
  { field: '', value: '', rule: 'days must run forward, each date once' },
])

it('says rules as a person would', () => {
  expect(ruleText('more than 0 mm')).toBe('More than 0 mm')
  expect(ruleText('at most 1, which is all there are')).toBe('At most 1, which is all there are')
})
it('makes one sentence of a problem', () => {
  expect(sentence(problem)).toBe('This cannot be used as it is. gear › 3 › mass g: 0 g or more Days must run forward, each date once')
})
it('sorts rules to their fields and keeps the others', () => {
  expect(byField(problem)['gear.3.mass_g']).toBe('0 g or more')
  expect(looseRules(problem, (field) => field.startsWith('gear.'))).toEqual(['Days must run forward, each date once'])
})
it('knows a stale write from another conflict', () => {
  expect(new Problem(409, 'x', [{ field: 'version', value: '1', rule: '2' }]).stale).toBe(true)
  expect(new Problem(409, 'x', [{ field: 'id', value: 'a', rule: 'b' }]).stale).toBe(false)
})
it('tells a lost connection as one', () => {
  expect(asProblem(new TypeError('Failed to fetch')).title).toContain('does not answer')
})
