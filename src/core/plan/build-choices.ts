/** What a run goes into, so that its wires are threaded first. */
export const containers = ['case', 'channel', 'shelf', 'cap', 'cloth'] as const
/** Steps of building, by what is done. */
export const stepKinds = [
  'measure',
  'dry-fit',
  'cut',
  'tin',
  'thread',
  'joint',
  'check',
  'test',
  'insulate',
  'clean',
  'mount',
  'relief',
  'cover',
  'label',
  'power',
  'soak',
  'book',
] as const
/** In which order they are done: each piece finished and tested, or all that takes the same tool. */
export const buildSchools = ['one', 'batch'] as const
/** What a reading is of. */
export const readingKinds = ['current', 'volts', 'resistance'] as const

export type Container = (typeof containers)[number]
export type StepKind = (typeof stepKinds)[number]
export type ReadingKind = (typeof readingKinds)[number]
export type BuildSchool = (typeof buildSchools)[number]
