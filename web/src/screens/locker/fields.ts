/** Which fields the form shows for each kind, in words and units. Common fields (name, count, mass, size) are not listed. */
import type { Kind } from '@/api/types'
import type { Quantity } from '@/format/units'
import { AIDS } from '@/wording/kinds'

export interface Field {
  /** Dotted path in the thing, as the server names it in its complaints. */
  path: string
  label: string
  type: 'number' | 'count' | 'text' | 'flag' | 'choice' | 'list' | 'numbers' | 'slots' | 'things'
  quantity?: Quantity
  unit?: string
  options?: { title: string; value: string }[]
  /** Of which kinds the things are to pick from; all kinds where it is not there. */
  kinds?: Kind[]
  /** Several may be picked. */
  many?: boolean
  /** Most things of the kind have nothing to say here. */
  rare?: boolean
  /** May be left empty; it is then sent as null. */
  optional?: boolean
}

const number = (path: string, label: string, unit = '', optional = false): Field => ({ path, label, type: 'number', unit, optional })
const measure = (path: string, label: string, quantity: Quantity, optional = false): Field => ({ path, label, type: 'number', quantity, optional })
const text = (path: string, label: string, optional = false): Field => ({ path, label, type: 'text', optional })
const flag = (path: string, label: string): Field => ({ path, label, type: 'flag' })
const count = (path: string, label: string): Field => ({ path, label, type: 'count' })
const list = (path: string, label: string): Field => ({ path, label, type: 'list' })
const choice = (path: string, label: string, options: Record<string, string>): Field => ({
  path,
  label,
  type: 'choice',
  options: Object.entries(options).map(([value, title]) => ({ value, title })),
})

const rare = (...fields: Field[]): Field[] => fields.map((field) => ({ ...field, rare: true }))
const things = (path: string, label: string, kinds?: Kind[]): Field => ({ path, label, type: 'things', many: true, ...(kinds && { kinds }) })
const thing = (path: string, label: string, kinds: Kind[]): Field => ({ path, label, type: 'things', kinds, optional: true })

function glass(prefix = ''): Field[] {
  return [
    number(`${prefix}focal_min_mm`, 'Shortest focal length', 'mm'),
    number(`${prefix}focal_max_mm`, 'Longest focal length', 'mm'),
    number(`${prefix}f_at_min`, 'Fastest f-number, short end'),
    number(`${prefix}f_at_max`, 'Fastest f-number, long end'),
    number(`${prefix}thread_mm`, 'Filter thread', 'mm', true),
    flag(`${prefix}autofocus`, 'Autofocus'),
    flag(`${prefix}sealed`, 'Sealed'),
    flag(`${prefix}stabilised`, 'Stabilised'),
    flag(`${prefix}macro`, 'Macro'),
  ]
}

const BODY: Field[] = [
  text('mount', 'Mount (empty for a fixed lens)', true),
  number('megapixels', 'Megapixels', 'MP'),
  number('sensor_width_mm', 'Sensor width', 'mm'),
  number('sensor_height_mm', 'Sensor height', 'mm'),
  { path: 'crop_modes', label: 'Crop modes (1.5, …)', type: 'numbers' },
  number('autofocus_min_aperture', 'Autofocus works to f/', '', true),
  text('battery_type', 'Battery type', true),
  number('frames_per_charge', 'Frames per charge', '', true),
  number('video_min_per_charge', 'Video per charge', 'min', true),
  number('timelapse_h_per_charge', 'Time-lapse per charge', 'h', true),
  number('mb_per_frame', 'Raw frame', 'MB', true),
  choice('rates_source', 'Source of these rates', { stated: 'from a data sheet', measured: 'from your own logs', typical: 'typical of its kind' }),
  { path: 'slots', label: 'Card slots (SD, SD)', type: 'slots' },
  flag('autofocus', 'Autofocus'),
  flag('sealed', 'Sealed'),
  flag('stabilised', 'Stabilised'),
  flag('video', 'Video'),
  flag('usb_charging', 'Charges over USB-C'),
  list('sockets', 'Remote sockets'),
  count('hot_shoes', 'Hot shoes'),
  ...rare(
    number('energy_wh', 'Battery that stays inside', 'Wh', true),
    text('film', 'Film it takes (135, …)', true),
    flag('nebulae', 'Astro-modified (red nebulae)'),
    flag('clean', 'Low noise in the dark'),
    list('also', 'Name in picture metadata'),
  ),
]

const HAZARDS = { '': 'nothing special', blade: 'a blade', 'multi-tool': 'a multi-tool', tool: 'a tool over 6 cm', spray: 'spray against animals', gas: 'gas or fuel', 'compressed-air': 'compressed air', matches: 'matches', lighter: 'a lighter', liquid: 'a liquid', film: 'film' }

/** What rules ask for; the owner's own words stand beside it. */
const PURPOSES = {
  other: 'Something else',
  water: 'Water',
  food: 'Food',
  medicine: 'Medicine',
  papers: 'Papers',
  clothing: 'Clothing',
  sleeping: 'Sleeping',
  shelter: 'Shelter',
  walking: 'Walking',
  cover: 'Rain cover',
  straps: 'Straps',
  cleaning: 'Cleaning',
}

export const FIELDS: Record<Kind, Field[]> = {
  body: BODY,
  lens: [
    text('mount', 'Mount'),
    number('image_circle_mm', 'Image circle', 'mm'),
    ...glass(),
    things('takes_converters', 'Takes these converters', ['teleconverter']),
    ...rare(list('also', 'Name in picture metadata')),
  ],
  teleconverter: [number('factor', 'Factor', '×'), flag('sealed', 'Sealed')],
  'mount-adapter': [text('lens_mount', 'From lens mount'), text('body_mount', 'To body mount'), flag('autofocus', 'Autofocus'), flag('sealed', 'Sealed')],
  filter: [
    choice('effect', 'Effect', { nd: 'Neutral density', 'variable-nd': 'Variable ND', 'graduated-nd': 'Graduated ND', polariser: 'Polariser', 'night-sky': 'Night sky', diffusion: 'Diffusion', clear: 'Clear' }),
    number('thread_mm', 'Thread (screw-in)', 'mm', true),
    number('plate_width_mm', 'Plate width (for a holder)', 'mm', true),
    number('stops', 'Stops', '', true),
    number('stops_max', 'Maximum stops (variable)', '', true),
    number('rim_mm', 'Rim depth', 'mm'),
    thing('adapter', 'Drop-in for adapter', ['mount-adapter']),
    thing('body', 'Clip-in over the sensor of', ['body']),
    number('clean_from_mm', 'No dark corners from', 'mm', true),
  ],
  'step-ring': [number('lens_thread_mm', 'Lens thread', 'mm'), number('filter_thread_mm', 'Filter thread', 'mm'), number('rim_mm', 'Rim depth', 'mm')],
  'filter-holder': [number('plate_width_mm', 'Plate width', 'mm'), number('thread_mm', 'Lens thread', 'mm'), count('plates', 'Plates')],
  battery: [text('battery_type', 'Type'), number('energy_wh', 'Energy', 'Wh'), number('health', 'Health (1 = new)'), number('cycles', 'Charge cycles so far'), flag('lithium', 'Lithium'), flag('rechargeable', 'Rechargeable')],
  charger: [
    list('battery_types', 'Battery types'),
    count('bays', 'Bays'),
    number('hours_per_charge', 'Hours per charge', 'h'),
    choice('input', 'Powered from', { mains: 'Mains', 'usb-c': 'USB-C', car: 'Car' }),
    number('volts_min', 'Volts from', 'V', true),
    number('volts_max', 'Volts to', 'V', true),
    text('plug', 'Plug', true),
  ],
  'power-bank': [number('energy_wh', 'Energy', 'Wh'), number('output_w', 'Output', 'W'), count('ports', 'Ports')],
  card: [text('card_type', 'Card type'), number('capacity_gb', 'Capacity', 'GB'), number('speed_mb_s', 'Write speed', 'MB/s'), number('since', 'Bought in (year)', '', true), flag('keep_for_last', 'Keep for last')],
  reader: [list('card_types', 'Card types'), text('plug', 'Plug'), number('speed_mb_s', 'Speed', 'MB/s')],
  drive: [number('capacity_gb', 'Capacity', 'GB'), text('plug', 'Plug'), number('speed_mb_s', 'Speed', 'MB/s')],
  computer: [
    choice('form', 'Sort', { laptop: 'Laptop', tablet: 'Tablet', phone: 'Phone' }),
    number('screen_in', 'Screen', 'in'),
    number('energy_wh', 'Battery', 'Wh'),
    number('storage_gb', 'Storage', 'GB', true),
    list('ports', 'Ports'),
    number('charge_w', 'Charges at', 'W', true),
  ],
  link: [text('from_plug', 'Plugs into'), list('to_ports', 'Ports it gives'), number('rating_w', 'Rating', 'W', true), number('volts_max', 'Volts at most', 'V', true)],
  tripod: [measure('max_load_g', 'Carries', 'load'), measure('max_height_mm', 'Height', 'side'), flag('head_included', 'Head included')],
  'other-support': [
    choice('form', 'Sort', { monopod: 'Monopod', clamp: 'Clamp', 'bean-bag': 'Beanbag', 'flat-plate': 'Flat plate', pole: 'Pole', gimbal: 'Gimbal' }),
    measure('max_load_g', 'Carries', 'load'),
  ],
  head: [text('plate_type', 'Takes plates'), measure('max_load_g', 'Carries', 'load')],
  plate: [text('plate_type', 'Plate type'), flag('angle_bracket', 'L-shaped')],
  light: [
    choice('form', 'Sort', { flash: 'Flash', panel: 'Panel', torch: 'Torch', 'head-torch': 'Head torch' }),
    text('battery_type', 'Battery type', true),
    count('cells', 'Cells'),
    number('energy_wh', 'Built-in battery', 'Wh', true),
    number('runs_h', 'Runs on one set', 'h', true),
    text('trigger', 'Fired by trigger', true),
    flag('uses_shoe', 'Sits on the hot shoe'),
  ],
  sound: [
    choice('form', 'Sort', { microphone: 'Microphone', recorder: 'Recorder', 'wind-cover': 'Wind cover', headphones: 'Headphones' }),
    text('battery_type', 'Battery type', true),
    count('cells', 'Cells'),
    number('runs_h', 'Runs on one set', 'h', true),
    flag('uses_shoe', 'Sits on the hot shoe'),
  ],
  remote: [
    number('runs_h', 'Runs on one cell', 'h', true),
    text('socket', 'Socket on the body (radio for none)'),
    text('battery_type', 'Battery type', true),
    list('triggers', 'Fires these triggers'),
    flag('uses_shoe', 'Sits on the hot shoe'),
  ],
  drone: [
    text('battery_type', 'Battery type'),
    number('flight_min', 'Flight per battery', 'min'),
    number('megapixels', 'Megapixels', 'MP'),
    measure('takeoff_mass_g', 'Take-off mass', 'mass'),
    flag('needs_phone', 'Needs a phone'),
    { path: 'slots', label: 'Card slots (microSD)', type: 'slots' },
  ],
  bag: [
    choice('piece', 'Travels as', { cabin: 'Cabin bag', personal: 'Personal item', hold: 'Hold bag' }),
    measure('volume_l', 'Volume', 'volume'),
    measure('squeeze_mm', 'Thinnest side squeezes by', 'side'),
    flag('hard', 'Hard case'),
    count('straps', 'Straps outside'),
    measure('strap_mm', 'Longest item strapped on', 'side', true),
    ...rare(
      flag('unpadded', 'No padding: glass only in an insert'),
      measure('back_mm', 'Back, hip belt to shoulders', 'side', true),
      flag('hip_belt', 'Hip belt'),
      flag('chest_strap', 'Chest strap'),
      flag('rain_cover', 'Has a rain cover of its own'),
      { ...choice('looks', 'Looks like', { '': 'not known', camera: 'A camera bag', plain: 'Any bag' }), optional: true },
    ),
  ],
  insert: [measure('volume_l', 'Volume', 'volume')],
  safety: [choice('purpose', 'For', { ...PURPOSES, other: 'Safety' }), text('label', 'Your label', true), { ...choice('hazard', 'Carriers treat it as', HAZARDS), optional: true }],
  other: [
    choice('purpose', 'For', PURPOSES),
    text('label', 'Your label', true),
    { ...choice('hazard', 'Carriers treat it as', HAZARDS), optional: true },
    { ...choice('serves', 'Serves a shot as', { '': 'nothing special', ...AIDS }), optional: true },
    number('hollow_mm', 'Hollow, wide inside', 'mm', true),
    ...rare(
      measure('comfort_c', 'Warm enough down to', 'temperature', true),
      text('battery_type', 'Cell type', true),
      count('cells', 'Cells'),
      number('energy_wh', 'Built-in battery', 'Wh', true),
      number('runs_h', 'Runs on one set', 'h', true),
      number('draws_w', 'Draws from a power bank', 'W', true),
      number('used_h', 'Hours in use a day', 'h'),
      flag('uses_shoe', 'Sits on the hot shoe'),
      flag('uses_plate', 'Sits on the base plate'),
      text('eats', 'Uses up (paper, gas, …)', true),
      flag('bought_there', 'Refills are sold there'),
      text('refill', 'Refill type (film, paper, gas)', true),
      number('frames', 'Pictures per refill', '', true),
      number('solar_w', 'Solar panel rated at', 'W', true),
    ),
  ],
}

/** What any thing may need to work. */
export const NEEDS: Field = things('needs', 'Needs one of')

/** The fields of one thing: a fixed-lens body shows its glass instead of its mount. */
export function fieldsOf(thing: { kind: Kind; fixed_lens?: unknown }): Field[] {
  if (thing.kind !== 'body') return FIELDS[thing.kind]
  return thing.fixed_lens ? [...BODY.filter((f) => f.path !== 'mount'), ...glass('fixed_lens.')] : BODY
}

export function read(thing: object, path: string): unknown {
  return path.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], thing)
}

/** A copy of `thing` with one field changed. */
export function write<T extends object>(thing: T, path: string, value: unknown): T {
  const [key = '', ...rest] = path.split('.')
  const old = (thing as Record<string, unknown>)[key]
  return { ...thing, [key]: rest.length ? write((old ?? {}) as object, rest.join('.'), value) : value }
}

/** "SD, microSD" to a list, without empty parts. */
export function parts(text: string): string[] {
  return text
    .split(',')
    .map((part) => part.trim())
    .filter(Boolean)
}
