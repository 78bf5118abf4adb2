import type { Photo } from '../../core/plan/plan'

export type PhotoResult =
  | { readonly ok: true; readonly picture: Pick<Photo, 'data' | 'widthPx' | 'heightPx'> }
  | { readonly ok: false; readonly message: string }

/** A picture is kept with its plan: so large serves a drawing and is soon saved, px. */
const mostPx = 1_600

/** A picture made no larger than `mostPx`, on a canvas. */
async function shrunk(file: File): Promise<HTMLCanvasElement | string> {
  let bitmap: ImageBitmap
  try {
    bitmap = await createImageBitmap(file)
  } catch {
    return `${file.name} is no picture that this browser can read.`
  }
  const scale = Math.min(1, mostPx / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(bitmap.width * scale))
  canvas.height = Math.max(1, Math.round(bitmap.height * scale))
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  return canvas
}

/** A picture as the bytes of a JPEG, or why it is none. */
export async function readJpeg(file: File): Promise<Uint8Array | string> {
  const canvas = await shrunk(file)
  if (typeof canvas === 'string') return canvas
  const blob = await new Promise<Blob | null>((resolve) => {
    canvas.toBlob(resolve, 'image/jpeg', 0.8)
  })
  return blob === null
    ? `${file.name} is too large for this browser to make smaller.`
    : new Uint8Array(await blob.arrayBuffer())
}

/** Reads a picture and makes it no larger than a drawing needs, as a JPEG. */
export async function readPhoto(file: File): Promise<PhotoResult> {
  const canvas = await shrunk(file)
  if (typeof canvas === 'string') return { ok: false, message: canvas }
  return {
    ok: true,
    picture: {
      data: canvas.toDataURL('image/jpeg', 0.8),
      widthPx: canvas.width,
      heightPx: canvas.height,
    },
  }
}

/**
 * The photo at the scale at which two of its places are so far apart; the first stays where it is.
 *
 * @param a of the bench, mm at the present scale
 */
export function scaledTo(
  photo: Photo,
  a: readonly [number, number],
  b: readonly [number, number],
  lengthMm: number,
): Photo {
  const by = lengthMm / Math.hypot(b[0] - a[0], b[1] - a[1])
  return {
    ...photo,
    mmPerPx: photo.mmPerPx * by,
    at: [a[0] - (a[0] - photo.at[0]) * by, a[1] - (a[1] - photo.at[1]) * by],
  }
}
