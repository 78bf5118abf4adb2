import type { Command } from './commands'
import type { Strip } from './parts'
import type { Plan } from './plan'

/** Puts a strip of the user's own in the place of one that the plan uses, everywhere. Of the same id it is that strip itself, changed. */
export const swapStrip = (
  { defaults, lines }: Pick<Plan, 'defaults' | 'lines'>,
  known: string,
  strip: Strip,
): readonly Command[] => [
  { do: 'own-strip', strip },
  ...(defaults.stripId === known ? [{ do: 'set-default-strip', strip: strip.id } as const] : []),
  ...lines
    .filter(({ stripId }) => stripId === known)
    .map(({ id: line }) => ({ do: 'set-strip', line, strip: strip.id }) as const),
]
