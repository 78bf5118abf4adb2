import { GIFEncoder, applyPalette, quantize } from 'gifenc'

/** Frames a second: their time is a whole number of hundredths, as the format counts it. */
export const filmFps = 12.5
/** A picture to share: no wider than this, px, and no longer than this, s. */
const widestPx = 640
export const longestFilmS = 20

/**
 * A moving picture (GIF) from frames, one after another.
 *
 * @param frames how many
 * @param draw draws a frame, by its number; `undefined` ends it, and nothing is kept
 */
export async function film(
  frames: number,
  draw: (frame: number) => Promise<HTMLCanvasElement | undefined>,
): Promise<Blob | undefined> {
  const encoder = GIFEncoder()
  const small = document.createElement('canvas')
  const context = small.getContext('2d', { willReadFrequently: true })
  if (context === null) throw new Error('this browser gives no canvas to draw on')
  for (let frame = 0; frame < frames; frame += 1) {
    const picture = await draw(frame)
    if (picture === undefined) return undefined
    if (frame === 0) {
      const scale = Math.min(1, widestPx / picture.width)
      small.width = Math.round(picture.width * scale)
      small.height = Math.round(picture.height * scale)
    }
    const { width, height } = small
    context.drawImage(picture, 0, 0, width, height)
    const { data } = context.getImageData(0, 0, width, height)
    const palette = quantize(data, 256)
    encoder.writeFrame(applyPalette(data, palette), width, height, {
      palette,
      delay: 1000 / filmFps,
    })
  }
  encoder.finish()
  return new Blob([encoder.bytes()], { type: 'image/gif' })
}
