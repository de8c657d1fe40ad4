/** Dates as people say them. All are plain calendar days: no clock, no time zone. */
const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

function parts(iso: string): { year: number; month: number; day: number; weekday: number } {
  const [year = 0, month = 1, day = 1] = iso.split('-').map(Number)
  return { year, month, day, weekday: new Date(Date.UTC(year, month - 1, day)).getUTCDay() }
}

/** "Sat 20 Feb". */
export function day(iso: string): string {
  const p = parts(iso)
  return `${DAYS[p.weekday]} ${p.day} ${MONTHS[p.month - 1]}`
}

/** "Sat 20", where the month is seen beside it. */
export function dayShort(iso: string): string {
  return day(iso).split(' ').slice(0, 2).join(' ')
}

/** "20 Feb – 28 Feb 2027", or "20–28 Feb 2027" within a month. */
export function span(from: string, to: string): string {
  const a = parts(from)
  const b = parts(to)
  const end = `${b.day} ${MONTHS[b.month - 1]} ${b.year}`
  if (from === to) return end
  if (a.year === b.year && a.month === b.month) return `${a.day}–${end}`
  return `${a.day} ${MONTHS[a.month - 1]}${a.year === b.year ? '' : ` ${a.year}`} – ${end}`
}

/** The calendar day `count` days later. */
export function addDays(iso: string, count: number): string {
  const p = parts(iso)
  return new Date(Date.UTC(p.year, p.month - 1, p.day + count)).toISOString().slice(0, 10)
}

/** Today where the user is. */
export function today(): string {
  const now = new Date()
  const pad = (n: number): string => String(n).padStart(2, '0')
  return `${now.getFullYear()}-${pad(now.getMonth() + 1)}-${pad(now.getDate())}`
}

/** "09:12" of a moment: the clock of its place, whatever clock this device has. */
export function clock(at: string | null | undefined): string {
  return at ? at.slice(11, 16) : ''
}

/** "28 Nov, 09:12" of a moment, by the clock of this device. */
export function moment(at: string): string {
  const then = new Date(at)
  const pad = (n: number): string => String(n).padStart(2, '0')
  return `${day(`${then.getFullYear()}-${pad(then.getMonth() + 1)}-${pad(then.getDate())}`)}, ${pad(then.getHours())}:${pad(then.getMinutes())}`
}
