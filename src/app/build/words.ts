import type { StepKind } from '../../core/plan/build-choices'
import { formatQuantity } from '../../core/quantity/format'

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

/** Minutes as a clock or a rail tells them. */
export const minutesText = (minutes: number): string =>
  minutes < 1 ? '< 1 min' : formatQuantity(Math.round(minutes), 'min')

/** The time of day, as a clock on the wall tells it. */
export const timeOf = (ms: number): string =>
  new Date(ms).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })
