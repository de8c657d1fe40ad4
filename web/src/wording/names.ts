/** What ids are called, for the sentences. */
export interface Names {
  thing: (id: string) => string
  person: (id: string) => string
  leg: (id: string) => string
  want: (id: string) => string
}
