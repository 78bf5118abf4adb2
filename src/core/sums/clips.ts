import { clipPlaces } from '../build/clips'
import { above0 } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line } from './sum'

const mm = above0(100_000, 'mm', 1e-6)

export const clipsSum = defineSum(
  'clips',
  'How many clips hold a strip, each between two pixels.',
  z.strictObject({
    lengthMm: mm,
    pixelPitchMm: z.number().min(1).max(100_000),
    firstPixelMm: z.number().min(0).max(100_000),
    mostApartMm: mm,
    endMm: z.number().min(0).max(100_000),
  }),
  (given) => {
    const placesMm = clipPlaces(given)
    return { count: placesMm?.length ?? null, placesMm: placesMm ?? [] }
  },
  {
    title: 'Clips for a strip',
    asks: ['how many clips', 'where do the clips go', 'hold a strip'],
    start: {
      lengthMm: 1200,
      pixelPitchMm: 16.6667,
      firstPixelMm: 8.3333,
      mostApartMm: 250,
      endMm: 50,
    },
    fields: {
      lengthMm: ['Strip', 'mm'],
      pixelPitchMm: ['From pixel to pixel', 'mm'],
      firstPixelMm: ['From the end to its first pixel', 'mm'],
      mostApartMm: ['At most apart', 'mm'],
      endMm: ['At most from the ends', 'mm'],
    },
    lines: ({ endMm, mostApartMm }, { count, placesMm }) =>
      count === null
        ? [
            line('clips', null, '', {
              word: 'not possible',
              note: `no place between two pixels is within ${String(endMm)} mm of an end and ${String(mostApartMm)} mm of the next`,
            }),
          ]
        : [
            line('clips', count, ''),
            ...placesMm
              .slice(0, 20)
              .map((place, index) => line(`clip ${String(index + 1)} at`, place, 'mm')),
          ],
  },
)
