import { describe, expect, it } from 'vitest'
import schema from '../../../../docs/plan.schema.json'
import { KIND } from '@/wording/kinds'
import type { Kind } from '@/api/types'
import { FIELDS, fieldsOf, parts, read, write } from './fields'

/** Set by the form's head, or by nothing a person types. */
const COMMON = new Set(['id', 'kind', 'name', 'count', 'mass_g', 'mass_source', 'size', 'size_source', 'absent', 'standing', 'backup', 'for_other', 'needs', 'charging_plug', 'return_by', 'note', 'picture', 'serial', 'value', 'owner', 'fixed_lens', 'inner', 'dividers', 'compartments', 'offset_mm'])

describe('the form of each kind', () => {
  const definitions = Object.values(schema.$defs) as { properties?: Record<string, { const?: string }> }[]
  it.each(Object.keys(KIND) as Kind[])('of a %s shows every field that the core knows', (kind) => {
    const definition = definitions.find((d) => d.properties?.kind?.const === kind)
    const known = Object.keys(definition?.properties ?? {}).filter((name) => !COMMON.has(name))
    expect(known.length).toBeGreaterThan(0)
    expect(FIELDS[kind].map((f) => f.path).sort()).toEqual(known.sort())
  })
  it('shows the glass of a fixed-lens body in place of its mount', () => {
    const paths = fieldsOf({ kind: 'body', fixed_lens: {} }).map((f) => f.path)
    expect(paths).toContain('fixed_lens.focal_min_mm')
    expect(paths).not.toContain('mount')
  })
})

describe('reading and writing by path', () => {
  const thing = { name: 'x', size: { shape: 'box', length_mm: 1 } }
  it('reads into nested fields', () => {
    expect(read(thing, 'size.length_mm')).toBe(1)
    expect(read(thing, 'absent.reason')).toBeUndefined()
  })
  it('writes a copy and leaves the rest alone', () => {
    const changed = write(thing, 'size.length_mm', 2)
    expect(changed).toEqual({ name: 'x', size: { shape: 'box', length_mm: 2 } })
    expect(thing.size.length_mm).toBe(1)
  })
  it('makes what is not there yet', () => {
    expect(write<object>({}, 'absent.until', '2027-01-01')).toEqual({ absent: { until: '2027-01-01' } })
  })
  it('cuts lists at commas without empty parts', () => {
    expect(parts('SD, microSD,, ')).toEqual(['SD', 'microSD'])
  })
})
