/** Kits by short names: "B · two bodies" is B on its tab, a long name stands under its letter. */
interface Named {
  id: string
  name: string
  note: string
}

const MOST = 6

/** What stands on the tab. */
export function kitLabel(kit: Named): string {
  const first = kit.name.split(' · ')[0] ?? ''
  return first.length <= MOST ? first : kit.id.toUpperCase()
}

/** A kit's name without the letter that stands before it anyway. */
export function kitBare(kit: Pick<Named, 'id' | 'name'>): string {
  return kit.name.replace(new RegExp(`^${kit.id}\\s*·\\s*`, 'i'), '')
}

/** What stands beside the tabs for the kit that is open. */
export function kitRest(kit: Named | undefined): string {
  if (!kit) return ''
  const label = kitLabel(kit)
  return kit.name.startsWith(label) ? kit.name.slice(label.length).replace(/^ · /, '') || kit.note : kit.name
}
