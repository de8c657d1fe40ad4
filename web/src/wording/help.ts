/** How each figure is reckoned, in a few sentences beside its reason. docs/domain has the whole of it, with its sources. */
export const HELP = {
  bags: [
    'A bag’s figure is its empty weight, its contents and anything strapped on. A weighing replaces the sum of the parts until you change the contents.',
    'The limit is the strictest of all legs with a limit for that piece. Items in no bag are listed beside it and count for no bag.',
  ],
  back: [
    'Everything a person carries: bags, gear strapped outside, gear worn, and their other load such as water and food. Shared gear counts once.',
    'Caution lines at 15, 20 and 25 % of body mass are general guidance for walkers, not medical advice. Listen to your own back.',
  ],
  volume: [
    'The outer sizes of the items, added up, against the litres inside. This leaves out how they fit together.',
    'Stow tries every piece and shows whether it all fits.',
  ],
  power: [
    'Day by day: charges each camera needs at that day’s cold, against the batteries charged by then. At night, outlets, chargers and power banks fill what tomorrow needs first.',
    'Cold takes about a fifth of a battery at 0 °C and half at −20 °C. A power bank delivers about two thirds. These are estimates until your own notes give better figures.',
  ],
  cards: [
    'Each day’s frames and minutes of video in gigabytes, against the cards blank by then. A card may be erased once the planned copies exist.',
    'Copies count by where they are: two in one bag are lost with it.',
  ],
  brief: [
    'For each shot, every focal length in steps of 6 %: the best set-up scores aperture, megapixels and the shot’s other needs. A shot is the mean of its steps. The brief is the mean of its shots, weighted by importance.',
    'Full aperture is 1, a stop short 0.7, two stops short 0.4. A missing preference costs a fifth, a missing requirement everything. Filters do not count here.',
  ],
  leave: [
    'What the brief loses with this item and with anything that works only with it. Each step is recalculated, so leave items in this order.',
    'A tenth of what it saves in the worst single loss also counts. Safety gear and gear carried for others are never listed.',
  ],
  load: [
    'Per cent of the brief it would add to this kit, with the set-ups it makes possible. Items that only work together are listed together.',
  ],
  loss: [
    'The kit without it, or without the bag and its contents: set-ups, power, cards, copies, legs and brief are recalculated.',
    'One loss at a time: two at once are not calculated.',
  ],
} as const

export type HelpTopic = keyof typeof HELP
