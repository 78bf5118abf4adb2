import { z } from '../quantity/z'
import { buildSchools, readingKinds, stepKinds } from './build-choices'
import { shareSchema } from './measures'
import { idSchema } from './parts'

/** What a meter or a bench supply said. */
const loggedReadingSchema = z.strictObject({
  what: z.enum(readingKinds),
  /** The supply, the pad, or the run that it is of. */
  where: z.string().max(200),
  case: z.string().max(40),
  /** Brightness at which it was read, 0–1, where the case leaves it open. */
  level: shareSchema.optional(),
  /** In A, V or Ω. */
  value: z.number().min(-1_000_000).max(100_000_000),
})

/** What happened at one step. */
const logEntrySchema = z.strictObject({
  /** Id of the step. */
  step: z.string().min(1).max(300),
  kind: z.enum(stepKinds),
  /** As it was called when it was done: the step may be gone since. */
  title: z.string().max(400),
  state: z.enum(['open', 'done', 'skipped']),
  /** Minutes at it, hands on. */
  minutes: z.number().min(0).max(100_000),
  /** When it was ended last, as an ISO date and time. */
  at: z.string().max(40).optional(),
  note: z.string().max(4_000).optional(),
  /** Why it was skipped. */
  why: z.string().max(400).optional(),
  trouble: z
    .array(z.strictObject({ what: z.string().max(1_000), fix: z.string().max(1_000) }))
    .max(50),
  readings: z.array(loggedReadingSchema).max(200),
  /** Ids of photos in the photo store. */
  photos: z.array(idSchema).max(50),
})

/** How it is built, and what has been done of it. */
export const buildSchema = z.strictObject({
  school: z.enum(buildSchools),
  /** Steps moved by hand, in the order of the moves: each comes right before another, or last. */
  moved: z
    .array(z.strictObject({ step: z.string().max(300), before: z.string().max(300).nullable() }))
    .max(2_000),
  /** Minutes of a kind of step as a share of the typical ones. */
  paces: z
    .array(z.strictObject({ kind: z.enum(stepKinds), share: z.number().min(0.01).max(100) }))
    .max(stepKinds.length),
  log: z.array(logEntrySchema).max(20_000),
})
