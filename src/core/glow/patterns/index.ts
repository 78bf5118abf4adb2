import type { Pattern } from '../pattern'
import { bands } from './bands'
import { blink } from './blink'
import { blocks } from './blocks'
import { breathe } from './breathe'
import { candle } from './candle'
import { catchLight } from './catch'
import { chase } from './chase'
import { clouds } from './clouds'
import { comets } from './comets'
import { fire } from './fire'
import { flow } from './flow'
import { gauge } from './gauge'
import { ripple } from './ripple'
import { sparkle } from './sparkle'
import { steady } from './steady'
import { sunrise } from './sunrise'
import { twinkle } from './twinkle'
import { wipe } from './wipe'

/** All patterns, in the order in which they are offered. */
export const patterns: readonly Pattern[] = [
  steady,
  breathe,
  sunrise,
  blocks,
  flow,
  clouds,
  wipe,
  chase,
  comets,
  twinkle,
  sparkle,
  ripple,
  fire,
  candle,
  gauge,
  bands,
  blink,
  catchLight,
]

const byId = new Map(patterns.map((pattern) => [pattern.id, pattern]))

export const patternOf = (id: string): Pattern | undefined => byId.get(id)
