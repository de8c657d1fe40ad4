/** Stations of the trail that exist, in the order of work; what each is for, in a line. */
export const STATIONS = [
  { name: 'brief', title: 'Brief', says: 'Shots, days, cold and journey. Everything else is measured against this.' },
  { name: 'bench', title: 'Bench', says: 'Click an item to load or leave it. Beside the mat: the worth of each item, problems, and how to fix them.' },
  { name: 'stamina', title: 'Stamina', says: 'Batteries, cards and copies day by day in the cold. Set how long each night has mains.' },
  { name: 'stow', title: 'Stow', says: 'Where everything goes in its bag, packed to the millimetre. Drag items to pin them.' },
  { name: 'gate', title: 'Gate', says: 'Each carrier’s limits for each bag, and what to take out if one is refused.' },
  { name: 'packout', title: 'Pack-out', says: 'The list to tick, bag by bag, also on a phone, and the bags on the scale.' },
  { name: 'trail', title: 'Trail', says: 'In the field: batteries and cards, tonight’s list, a quick note. Works without a network.' },
  { name: 'lookback', title: 'Look back', says: 'After the trip: used, missed, and what to leave next time.' },
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
