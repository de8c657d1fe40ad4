// @vitest-environment jsdom
import { afterEach, expect, it } from 'vitest'
import type { Edit, Entry } from '@/api/types'
import { mounted, NAMES, signedIn, thing } from '@/testing/mount'
import PutInto from './PutInto.vue'

const things = new Map([thing('ridge', 'bag'), thing('cube', 'insert'), thing('body', 'body'), thing('wide', 'lens')].map((t) => [t.id, t]))
const entries = new Map<string, Entry[]>([
  ['ridge', [{ item: 'ridge', count: 1, place: { where: 'piece', piece: 'cabin', person: 'ines' } }]],
  ['cube', [{ item: 'cube', count: 1, place: { where: 'bag', bag: 'ridge', outside: false } }]],
  ['body', [{ item: 'body', count: 1, place: { where: 'worn', person: 'ines', unplaced: true } }]],
  ['wide', [{ item: 'wide', count: 2, place: { where: 'bag', bag: 'ridge', outside: false } }]],
])
let shown: ReturnType<typeof mounted>
afterEach(() => shown?.unmount())

const page = (): HTMLElement => document.querySelector('.sheet')!
async function opened(): Promise<void> {
  signedIn()
  shown = mounted(PutInto, { open: false, things, entries, people: [{ id: 'ines', name: 'Ines' }], names: NAMES, busy: false })
  await shown.setProps({ open: true })
}
async function into(value: string): Promise<void> {
  const select = page().querySelector('select')!
  select.value = value
  select.dispatchEvent(new Event('change'))
  await shown.vm.$nextTick()
}
async function put(): Promise<Edit[]> {
  await shown.vm.$nextTick()
  page().dispatchEvent(new Event('submit'))
  return (shown.emitted('edit')?.[0]?.[0] as Edit[]) ?? []
}

it('puts all into a bag in one act, and leaves out what is there or holds it', async () => {
  await opened()
  await into('bag cube false')
  page().querySelector<HTMLInputElement>('.all input')!.click()
  expect(await put()).toEqual(['body', 'wide'].map((item) => ({ act: 'move', item, place: { where: 'bag', bag: 'cube', outside: false } })))
})
it('puts a selection, and places on somebody what was there by chance', async () => {
  await opened()
  await into('worn ines')
  const line = [...page().querySelectorAll<HTMLElement>('li')].find((l) => l.textContent!.includes('body'))!
  expect(line.textContent).toContain('no bag')
  line.querySelector('input')!.click()
  expect(await put()).toEqual([{ act: 'move', item: 'body', place: { where: 'worn', person: 'ines', unplaced: false } }])
})
