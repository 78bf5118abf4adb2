import fc from 'fast-check'
import { expect, it } from 'vitest'
import { clipPlaces } from './clips'

it('clips keep every rule, and one fewer cannot', () => {
  const given = fc.record({
    pixelPitchMm: fc.integer({ min: 5, max: 60 }),
    pixels: fc.integer({ min: 1, max: 40 }),
    mostApartMm: fc.integer({ min: 3, max: 300 }),
    endMm: fc.integer({ min: 0, max: 120 }),
  })
  fc.assert(
    fc.property(given, ({ pixelPitchMm, pixels, mostApartMm, endMm }) => {
      const lengthMm = pixels * pixelPitchMm
      const firstPixelMm = pixelPitchMm / 2
      const rules = { lengthMm, pixelPitchMm, firstPixelMm, mostApartMm, endMm }
      const places = clipPlaces(rules)
      const gaps = Array.from({ length: pixels - 1 }, (_, n) => (n + 1) * pixelPitchMm)
      // From each place the fewest that reach the end, worked out from the end backwards.
      const fewest = new Map<number, number>()
      for (const place of gaps.toReversed()) {
        const next = gaps.filter((other) => other > place && other - place <= mostApartMm)
        const rest = Math.min(Infinity, ...next.map((other) => fewest.get(other) ?? Infinity))
        fewest.set(place, place >= lengthMm - endMm ? 1 : 1 + rest)
      }
      const first = gaps.filter((place) => place <= endMm)
      const least = Math.min(Infinity, ...first.map((place) => fewest.get(place) ?? Infinity))
      expect(places?.length ?? Infinity).toBe(least)
      places?.forEach((place, index) => {
        expect(gaps.some((gap) => Math.abs(gap - place) < 1e-9)).toBe(true)
        const before = places[index - 1]
        if (before !== undefined) expect(place - before).toBeLessThanOrEqual(mostApartMm + 1e-9)
      })
    }),
  )
})
