import { z } from '../quantity/z'
import { idSchema } from './parts'

/** What a note is on: the whole plan, a line of the pad, or a part by its id. */
const noteAboutSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('plan') }),
  z.strictObject({ kind: z.literal('run'), line: idSchema }),
  z.strictObject({ kind: z.literal('part'), part: idSchema }),
])
export type NoteAbout = Readonly<z.infer<typeof noteAboutSchema>>

export const noteSchema = z.strictObject({
  id: idSchema,
  about: noteAboutSchema,
  text: z.string().max(4_000),
  /** When it was written or last changed, as an ISO date and time. */
  at: z.string().max(40),
  /** Ids of photos in the photo store. */
  photos: z.array(idSchema).max(50),
})
export type Note = Readonly<z.infer<typeof noteSchema>>

/** One time that a task of upkeep was done. */
export const upkeepSchema = z.strictObject({
  /** Id of the task. */
  task: z.string().min(1).max(200),
  /** The day, as an ISO date and time. */
  at: z.string().max(40),
})
export type UpkeepEntry = Readonly<z.infer<typeof upkeepSchema>>

/** A figure of an older file that no sum could work with, and what it became. */
export const adjustedSchema = z.strictObject({
  /** The way to it from the plan: keys, ids of what stands in a list, or places in lists of things without one. */
  path: z
    .array(z.union([z.string().max(200), z.int().min(0)]))
    .min(1)
    .max(12),
  was: z.number(),
  now: z.number(),
  /** Which bound it broke. */
  why: z.string().max(400),
})
export type AdjustedFigure = Readonly<z.infer<typeof adjustedSchema>>
