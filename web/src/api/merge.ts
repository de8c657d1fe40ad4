/** Three-way merge of documents: what two windows changed in different fields stands; the same field is asked about. Pure. */

type Json = unknown
type Dict = Record<string, Json>

/** A field that both changed, each to something else. path: names of the fields down to it. */
export interface Clash {
  path: (string | number)[]
  mine: Json
  theirs: Json
}

function same(a: Json, b: Json): boolean {
  return JSON.stringify(a) === JSON.stringify(b)
}
function isDict(value: Json): value is Dict {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}
/** What tells entries of a list apart: an id, a date or a name, where every entry has one of its own. */
const KEYS = ['id', 'date', 'body', 'name']
function keyOf(...lists: Json[][]): string | null {
  const found = KEYS.find((key) =>
    lists.every((list) => list.every((one) => isDict(one) && (typeof one[key] === 'string' || typeof one[key] === 'number')) && new Set(list.map((one) => (one as Dict)[key])).size === list.length),
  )
  return found ?? null
}

/** base: what both began from. Clashes keep mine in the merged value until somebody says. */
export function merge<T>(base: T, mine: T, theirs: T): { value: T; clashes: Clash[] } {
  const clashes: Clash[] = []
  const value = join(base, mine, theirs, [], clashes) as T
  return { value, clashes }
}
function join(base: Json, mine: Json, theirs: Json, path: Clash['path'], clashes: Clash[]): Json {
  if (same(mine, theirs) || same(base, theirs)) return mine
  if (same(base, mine)) return theirs
  if (isDict(mine) && isDict(theirs)) {
    const from = isDict(base) ? base : {}
    const keys = [...new Set([...Object.keys(theirs), ...Object.keys(mine)])]
    return Object.fromEntries(keys.map((key) => [key, join(from[key], mine[key], theirs[key], [...path, key], clashes)]))
  }
  if (Array.isArray(mine) && Array.isArray(theirs)) {
    const from = Array.isArray(base) ? base : []
    const key = keyOf(from, mine, theirs)
    if (key) return joinLists(key, [from, mine, theirs] as [Dict[], Dict[], Dict[]], path, clashes)
  }
  clashes.push({ path, mine, theirs })
  return mine
}
function joinLists(key: string, [base, mine, theirs]: [Dict[], Dict[], Dict[]], path: Clash['path'], clashes: Clash[]): Dict[] {
  const by = (list: Dict[]) => new Map(list.map((one) => [one[key], one]))
  const [was, here, there] = [by(base), by(mine), by(theirs)]
  const order = [...theirs.map((one) => one[key]), ...mine.map((one) => one[key]).filter((id) => !there.has(id))]
  if (key === 'date') order.sort()
  return order.flatMap((id) => {
    const [a, b, c] = [was.get(id), here.get(id), there.get(id)]
    if (b && c) return [join(a, b, c, [...path, String(b.name ?? b.title ?? id)], clashes) as Dict]
    const left = b ?? c
    // Taken out by one: gone, unless the other changed it meanwhile.
    return a && same(a, left) ? [] : left ? [left] : []
  })
}

/** The value with a field of it set; entries of lists are found by the name that the path gives them. */
export function withField<T>(value: T, path: Clash['path'], to: Json): T {
  if (path.length === 0) return to as T
  const [key, ...rest] = path
  if (Array.isArray(value)) {
    return value.map((one) => (isDict(one) && [one.id, one.date, one.body, one.name, one.title].some((v) => String(v) === String(key)) ? withField(one, rest, to) : one)) as T
  }
  const from = value as Dict
  return { ...from, [String(key)]: withField(from[String(key)], rest, to) } as T
}
