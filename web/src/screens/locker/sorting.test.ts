import { expect, it } from 'vitest'
import type { ThingDoc } from '@/api/types'
import { grouped } from './sorting'

const doc = (name: string, kind: string, mass_g: number): ThingDoc => ({ version: 1, thing: { id: name, name, kind, mass_g, count: 1 } }) as ThingDoc
const ROWS = [doc('lens 100', 'lens', 700), doc('lens 24', 'lens', 800), doc('hat', 'other', 70), doc('lens 50', 'lens', 300)]
const names = (sort: Parameters<typeof grouped>[1]) => grouped(ROWS, sort).map((g) => g.rows.map((d) => d.thing.name))

it('keeps headings, and the order things came in', () => {
  expect(names(null)).toEqual([['lens 100', 'lens 24', 'lens 50'], ['hat']])
})
it('sorts within a heading, numbers in names as numbers', () => {
  expect(names({ by: 'name', down: false })[0]).toEqual(['lens 24', 'lens 50', 'lens 100'])
  expect(names({ by: 'mass', down: true })[0]).toEqual(['lens 24', 'lens 100', 'lens 50'])
})
