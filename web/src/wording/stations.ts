/** Stations of the trail that exist, in the order of work; what each is for, in a line. */
export const STATIONS = [
  { name: 'brief', title: 'Brief', says: 'Which pictures you want, on which days, how cold, by which legs. All else is judged by this.' },
  { name: 'bench', title: 'Bench', says: 'Click what you own to load or leave it. Beside it stands what each thing buys, what is wrong, and what would mend it.' },
  { name: 'stamina', title: 'Stamina', says: 'Whether packs, cards and copies last, day by day in that cold. Tell your nights how long there is mains.' },
  { name: 'stow', title: 'Stow', says: 'Where everything goes in its bag, packed to the millimetre. Drag things; pins hold.' },
  { name: 'gate', title: 'Gate', says: 'What each carrier asks of each bag, and what comes out where one is refused.' },
  { name: 'packout', title: 'Pack-out', says: 'The list to tick bag by bag, on a phone too, and the bags on the scale.' },
  { name: 'trail', title: 'Trail', says: 'Out there: packs and cards, tonight’s list, a quick note; without a network, too.' },
  { name: 'lookback', title: 'Look back', says: 'Afterwards: what was used, what was missed, what to leave next time.' },
] as const
export type StationName = (typeof STATIONS)[number]['name']

/** What each screen is called, by the name of its route. */
export const SCREENS: Record<string, string> = {
  ...Object.fromEntries(STATIONS.map((s) => [s.name, s.title])),
  suggest: 'Suggest',
  compare: 'Compare',
  trips: 'Trips',
  locker: 'Locker',
  rules: 'Rules',
  settings: 'Settings',
  welcome: 'Welcome',
  shared: 'Shared with you',
  lost: 'Nothing here',
}
