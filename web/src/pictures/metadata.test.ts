import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { isPicture, shotFrom, shotOf } from './metadata'

const SAMPLE = '../demo/karst-pictures'
function file(...parts: BlobPart[]): Blob {
  return new Blob(parts)
}
/** A block of metadata as cameras write it: byte order, one list of tags, figures after it. */
function block(focal: number): Uint8Array<ArrayBuffer> {
  const bytes = new DataView(new ArrayBuffer(64))
  bytes.setUint32(0, 0x49492a00)
  bytes.setUint32(4, 8, true)
  bytes.setUint16(8, 1, true)
  bytes.setUint16(10, 0x920a, true)
  bytes.setUint16(12, 5, true)
  bytes.setUint32(14, 1, true)
  bytes.setUint32(18, 32, true)
  bytes.setUint32(32, focal, true)
  bytes.setUint32(36, 1, true)
  return new Uint8Array(bytes.buffer)
}

describe('what a picture says', () => {
  it('is read from its first bytes', async () => {
    const { readdirSync } = await import('node:fs')
    const name = readdirSync(SAMPLE).find((n) => n.endsWith('.jpg'))!
    const shot = await shotOf(file(new Uint8Array(readFileSync(`${SAMPLE}/${name}`))))
    expect(shot).toMatchObject({ name: '', body: 'Corrie C1', lens: 'Corrie 16-35 f/4', f_number: 4, iso: 400 })
    expect(shot!.taken).toMatch(/^2026-10-03T\d\d:\d\d:\d\d$/)
  })
  it('is looked for where a raw file hides it', async () => {
    expect((await shotOf(file(new Uint8Array(5000), block(85))))?.focal_mm).toBe(85)
  })
  it('is nothing where there is nothing to be read', async () => {
    expect(await shotOf(file())).toBeNull()
    expect(await shotOf(file('words, and no picture'))).toBeNull()
    expect(await shotOf(file(block(85).slice(0, 20)))).toBeNull()
  })
  it('leaves out figures that no camera has', () => {
    const shot = shotFrom({ FocalLength: { value: [50, 0] }, FNumber: { value: [0, 10] }, ISOSpeedRatings: { value: [0] }, Model: { value: [], description: ' C1\u0000 ' }, DateTimeOriginal: { value: [], description: '0000:00:00 00:00:00' } })
    expect(shot).toMatchObject({ focal_mm: null, f_number: null, iso: null, taken: null, body: 'C1' })
  })
})

it('is read of pictures only', () => {
  expect(['a.JPG', 'a.nef', 'a.HEIC', '.a.jpg', 'a.txt', 'jpg'].filter(isPicture)).toEqual(['a.JPG', 'a.nef', 'a.HEIC'])
})
