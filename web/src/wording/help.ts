/** How each figure is reckoned, in a few sentences beside its reason. docs/domain has the whole of it, with its sources. */
export const HELP = {
  bags: [
    'A bag weighs what it weighs empty, with what lies in it and hangs on it. What a scale said counts before what the parts add up to, until the bag holds something else.',
    'The limit is the strictest of all legs whose carrier weighs that piece. What lies in no bag is told beside it, and is in no bag’s figure.',
  ],
  back: [
    'All that a person carries: bags, what hangs outside, what is worn, and what they carry anyway, as water and food. Shared things count once.',
    'Lines of caution stand at 15, 20 and 25 % of body mass: general guidance for walkers, no medical advice. Keep to what your own back says.',
  ],
  volume: [
    'By outer sizes: the boxes that things would fill, against the litres inside. Corners round a lens are rarely filled, so 100 % by this figure may still close.',
    'Stow says whether it really goes in: it packs every piece.',
  ],
  power: [
    'Day by day: what each camera shoots, in charges of its pack at that day’s cold, against the packs that are full by then. At night outlets, chargers and banks fill what tomorrow asks first.',
    'The cold takes from a pack about a fifth at 0 °C and half at −20 °C, and a bank gives about two thirds of what it holds: estimates, until your own log says better.',
  ],
  cards: [
    'Frames and minutes of a day times what one of them takes, against the cards that are free by then. A card is free again when as many copies stand elsewhere as the brief asks.',
    'Copies count with the place they are in: two in one bag go with that bag.',
  ],
  brief: [
    'For each want, every focal length in steps of 6 %: the best set-up there scores light, pixels and what else the want asks. A want is the mean of its steps, the brief the mean of its wants by how much they matter.',
    'Full light is 1, a stop short 0.7, two stops short 0.4. A missing trait costs a fifth, an essential one all. Filters do not lower it.',
  ],
  leave: [
    'Points of the brief that go with the thing, and with what works only with it. After each step all is worked out anew, so the order is that of leaving one after the other.',
    'A tenth of what it saves in the worst single loss counts, too. Safety gear, and what is carried for somebody else, is never in it.',
  ],
  load: [
    'Points of the brief that it would add to the kit as it is, with the set-ups it would make. Where two things only serve together, they stand together.',
  ],
  loss: [
    'The kit without it, or without the bag and all in it: set-ups, power, cards, copies and legs are worked out anew, and the brief scored.',
    'One failure at a time: two at once are not looked at.',
  ],
} as const

export type HelpTopic = keyof typeof HELP
