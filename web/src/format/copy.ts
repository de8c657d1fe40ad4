/** A deep copy of plain data, also of a reactive one. */
export function copyOf<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T
}
