// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { mounted, signedIn } from '@/testing/mount'
import NumberField from './NumberField.vue'

let field: ReturnType<typeof mounted>
beforeEach(() => signedIn('metric'))
afterEach(() => field.unmount())

function show(props: Record<string, unknown>): HTMLInputElement {
  field = mounted(NumberField, { label: 'Mass', ...props })
  return field.find('input').element
}
async function type(text: string): Promise<unknown> {
  await field.find('input').setValue(text)
  return field.emitted('update:modelValue')?.at(-1)?.[0]
}

describe('a number field', () => {
  it('shows what is stored in the unit of the user', () => {
    expect(show({ modelValue: 550, quantity: 'side' }).value).toBe('55')
    expect(field.text()).toContain('cm')
  })
  it('stores millimetres for typed centimetres, grams for typed ounces', async () => {
    show({ modelValue: 550, quantity: 'side' })
    expect(await type('40.5')).toBe(405)
    field.unmount()
    signedIn('imperial')
    show({ modelValue: 0, quantity: 'mass' })
    expect(await type('10')).toBeCloseTo(283.495, 2)
  })
  it('takes a comma for the decimal point and a real minus', async () => {
    show({ modelValue: 1, quantity: 'temperature' })
    expect(await type('−9,5')).toBe(-9.5)
  })
  it('keeps what was typed when it is no number, and says so', async () => {
    const input = show({ modelValue: 1 })
    expect(await type('heavy')).toBeUndefined()
    expect(input.value).toBe('heavy')
    expect(field.text()).toContain('A number, please')
  })
  it('is null when emptied, and complains only when it is needed', async () => {
    show({ modelValue: 1 })
    expect(await type('')).toBeNull()
    expect(field.text()).not.toContain('Needed')
    field.unmount()
    show({ modelValue: 1, required: true })
    await type('')
    expect(field.text()).toContain('Needed')
  })
  it('follows a new value from outside but not its own half-typed one', async () => {
    const input = show({ modelValue: 1 })
    await type('2.')
    await field.setProps({ modelValue: 2 })
    expect(input.value).toBe('2.')
    await field.setProps({ modelValue: 7 })
    expect(input.value).toBe('7')
  })
  it('shows the complaint of the server at the field', () => {
    show({ modelValue: -1, error: 'Should be greater than 0' })
    expect(field.text()).toContain('Should be greater than 0')
  })
})
