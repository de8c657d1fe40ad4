/** Stations of the trail that exist, in the order of work. */
export const STATIONS = [
  { name: 'brief', title: 'Brief' },
  { name: 'bench', title: 'Bench' },
  { name: 'stamina', title: 'Stamina' },
  { name: 'stow', title: 'Stow' },
  { name: 'gate', title: 'Gate' },
  { name: 'packout', title: 'Pack-out' },
  { name: 'trail', title: 'Trail' },
  { name: 'lookback', title: 'Look back' },
] as const
