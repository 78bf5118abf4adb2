import { formatQuantity, significant } from '../quantity/format'
import type { Reading } from './readings'

/** A case in which something is measured. */
export function caseName({ case: of, level }: Pick<Reading, 'case' | 'level'>): string {
  switch (of) {
    case 'unpowered':
      return 'unpowered'
    case 'idle':
      return 'idle'
    case 'full-white':
      return level === undefined || level === 1 ? 'white' : `white ${formatQuantity(level, '%')}`
    case 'level':
      return `white ${formatQuantity(level ?? 1, '%')}`
    case 'red':
    case 'green':
    case 'blue':
      return level === undefined || level === 1 ? of : `${of} ${formatQuantity(level, '%')}`
  }
}

/** From and to within which a reading is as it should be. */
export const rangeOf = ({ value, tolerance }: Pick<Reading, 'value' | 'tolerance'>): string =>
  tolerance === 0 ? '' : `${short(value * (1 - tolerance))} to ${short(value * (1 + tolerance))}`

const short = (value: number): string => significant(value, 2)

/**
 * What is read, and what it should be, on one line.
 *
 * @param supply its name, where several give current
 */
export function readingText(reading: Reading, supply?: string): string {
  const { what, pad, value, unit, isLeast } = reading
  const of = supply === undefined ? '' : ` of ${supply}`
  switch (what) {
    case 'resistance':
      return `plus to minus ${isLeast === true ? 'at least ' : ''}${formatQuantity(value, unit)}`
    case 'volts':
      return `${pad?.at === 0 ? 'start' : 'end'} at ${caseName(reading)} ${rangeOf(reading)} V`
    case 'current':
      return `${caseName(reading)}${of} ${rangeOf(reading)} A`
  }
}
