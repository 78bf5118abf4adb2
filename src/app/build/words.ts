import type { Reading } from '../../core/build/readings'
import type { StepKind } from '../../core/plan/build-choices'
import { formatQuantity, significant } from '../../core/quantity/format'

/** Kinds of steps as they are told. */
export const kindNames: Readonly<Record<StepKind, string>> = {
  measure: 'measure',
  'dry-fit': 'dry fit',
  cut: 'cut',
  tin: 'tin',
  thread: 'thread',
  joint: 'joint',
  check: 'meter check',
  test: 'test',
  insulate: 'insulate',
  clean: 'clean',
  mount: 'mount',
  relief: 'strain relief',
  cover: 'cover',
  label: 'label',
  power: 'power',
  soak: 'soak test',
  book: 'book out',
}

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

/** Minutes as a clock or a rail tells them. */
export const minutesText = (minutes: number): string =>
  minutes < 1 ? '< 1 min' : formatQuantity(Math.round(minutes), 'min')

/** The time of day, as a clock on the wall tells it. */
export const timeOf = (ms: number): string =>
  new Date(ms).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })
