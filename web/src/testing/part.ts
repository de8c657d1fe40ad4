/** Parts of answers: a test says what it is about, the schema checks what it says, and nothing else is there. */

/** Of a value some fields, and of those some, however deep. Lists of a fixed length are whole. */
export type Part<T> = T extends readonly (infer One)[] ? (number extends T['length'] ? readonly Part<One>[] : T) : T extends object ? { [Field in keyof T]?: Part<T[Field]> } : T

/** For whoever looks at these fields alone. */
export function part<T>(said: Part<T>): T {
  return said as T
}
