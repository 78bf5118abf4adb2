import { plain } from './format'
import { z } from './z'

const written = (value: number, unit: string): string => `${plain(value)} ${unit}`.trim()

/** A number from 0 to `most`, for people with its unit: "at most 10 000 A". */
export const upTo = (most: number, unit: string): z.ZodNumber =>
  z
    .number()
    .min(0, `${written(0, unit)} or more`)
    .max(most, `at most ${written(most, unit)}`)

/** A number above 0, from `least` to `most`; smaller ones are slips of the keyboard that no sum has an answer for. */
export const above0 = (most: number, unit: string, least = most * 1e-12): z.ZodNumber =>
  z
    .number()
    .min(least, `above ${written(0, unit)} is expected`)
    .max(most, `at most ${written(most, unit)}`)

/** A length above nought, up to a kilometre. */
export const lengthMm = above0(1_000_000, 'mm', 0.001)
export const lengthM = above0(1_000, 'm', 1e-6)
export const amperes = upTo(10_000, 'A')
export const amperesAbove0 = above0(10_000, 'A')
export const milliamperes = upTo(10_000_000, 'mA')
export const milliamperesAbove0 = above0(10_000_000, 'mA')
export const watts = upTo(100_000, 'W')
export const price = upTo(1_000_000, 'of the currency')
