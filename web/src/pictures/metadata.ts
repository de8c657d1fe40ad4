/** What a picture's metadata says of how it was taken, read in the browser: neither the picture nor its name leaves it. */
import type { Shot } from '@/api/types'

/** Kinds of files that can hold it; of others nothing is read. */
const PICTURE = /\.(jpe?g|tiff?|dng|nef|cr[23]|arw|orf|rw2|pef|raf|raw|heic|heif)$/i
/** It stands at the front: first a little is looked at, then more. */
const HEADS = [128 * 1024, 512 * 1024]
/** How a block of metadata starts (TIFF 6.0): byte order, then 42 in it. Files of no common build are searched for it. */
const BLOCKS = [
  [0x49, 0x49, 0x2a, 0],
  [0x4d, 0x4d, 0, 0x2a],
]
const MOST_BLOCKS = 6
const EARLIEST = 1990

export function isPicture(name: string): boolean {
  return PICTURE.test(name) && !name.startsWith('.')
}

type Tags = Record<string, { value: unknown; description?: string } | undefined>
type Reader = (bytes: ArrayBuffer) => Tags

async function reader(): Promise<Reader> {
  const { load } = (await import('exifreader')).default
  return (bytes) => {
    try {
      return load(bytes) as unknown as Tags
    } catch {
      // Whatever is wrong with a file, there is nothing to be read.
      return {}
    }
  }
}

/** The shot that a file's metadata tells of; nothing where it tells neither focal length, camera nor time. */
export async function shotOf(file: Blob): Promise<Shot | null> {
  const read = await reader()
  for (const head of HEADS) {
    const bytes = await file.slice(0, head).arrayBuffer()
    const shot = shotFrom(read(bytes)) ?? searched(bytes, read)
    if (shot || file.size <= head) return shot
  }
  return null
}

function searched(bytes: ArrayBuffer, read: Reader): Shot | null {
  const all = new Uint8Array(bytes)
  let tried = 0
  for (let at = 1; at < all.length - 8 && tried < MOST_BLOCKS; at++) {
    if (!BLOCKS.some((block) => block.every((byte, k) => all[at + k] === byte))) continue
    tried++
    const shot = shotFrom(read(bytes.slice(at)))
    if (shot) return shot
  }
  return null
}

/** A figure of a tag: a number, a list of one, or a fraction. */
function figure(tag: Tags[string]): number | null {
  const value: unknown = tag?.value
  const first: unknown = Array.isArray(value) ? value[0] : value
  if (Array.isArray(value) && value.length === 2 && typeof value[0] === 'number' && typeof value[1] === 'number') return finite(value[0] / value[1])
  if (Array.isArray(first)) return finite(Number(first[0]) / Number(first[1]))
  return typeof first === 'number' ? finite(first) : null
}
function finite(value: number): number | null {
  return Number.isFinite(value) ? value : null
}
function within(value: number | null, low: number, high: number): number | null {
  return value !== null && value >= low && value <= high ? value : null
}
function words(tag: Tags[string]): string {
  const value = tag?.description ?? ''
  return String(value).replace(/[\u0000-\u001f]/g, '').trim().slice(0, 200)
}
function taken(tag: Tags[string]): string | null {
  const found = /^(\d{4}):(\d\d):(\d\d) (\d\d):(\d\d):(\d\d)/.exec(words(tag))
  if (!found || Number(found[1]) < EARLIEST) return null
  const iso = `${found[1]}-${found[2]}-${found[3]}T${found[4]}:${found[5]}:${found[6]}`
  return Number.isNaN(Date.parse(`${iso}Z`)) ? null : iso
}

/** Figures that no camera has are left out. */
export function shotFrom(tags: Tags): Shot | null {
  const shot: Shot = {
    name: '',
    taken: taken(tags.DateTimeOriginal) ?? taken(tags.DateTime),
    focal_mm: within(figure(tags.FocalLength), 1, 3000),
    f_number: within(figure(tags.FNumber), 0.5, 64),
    iso: within(figure(tags.ISOSpeedRatings), 1, 10_000_000),
    exposure_s: within(figure(tags.ExposureTime), 1e-7, 86_400),
    as_full_frame_mm: within(figure(tags.FocalLengthIn35mmFilm), 1, 3000),
    body: words(tags.Model),
    lens: words(tags.LensModel),
  }
  return shot.focal_mm || shot.taken || shot.body ? shot : null
}
