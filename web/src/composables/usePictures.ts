/** Pictures of own things: made small here already, so that little goes over the line and no place or date goes with it. */
import { useMutation } from '@tanstack/vue-query'
import { ask, client, upload } from '@/api/client'
import { Problem } from '@/api/problem'
import { notify } from './useNotice'

const SIDE = 480

export function pictureAt(name: string): string {
  return `/api/locker/pictures/${name}`
}

async function small(file: File): Promise<File> {
  let seen: ImageBitmap
  try {
    seen = await createImageBitmap(file, { imageOrientation: 'from-image' })
  } catch {
    throw new Problem(422, `${file.name} is no picture that this browser can open. JPEG, PNG and WebP are.`)
  }
  const scale = Math.min(1, SIDE / Math.max(seen.width, seen.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(seen.width * scale))
  canvas.height = Math.max(1, Math.round(seen.height * scale))
  const pen = canvas.getContext('2d')!
  pen.imageSmoothingQuality = 'high'
  pen.drawImage(seen, 0, 0, canvas.width, canvas.height)
  seen.close()
  return new Promise((done, fail) => canvas.toBlob((blob) => (blob ? done(new File([blob], 'picture.webp')) : fail(new Problem(422, `${file.name} cannot be made small.`))), 'image/webp', 0.9))
}

export function usePictures() {
  /** Keeps a picture; gives the name by which a thing shows it. */
  const keep = useMutation({
    mutationFn: async (file: File): Promise<string> => (await ask(client.POST('/api/locker/pictures', upload(await small(file))))).picture,
    onError: notify,
  })
  return { keep }
}
