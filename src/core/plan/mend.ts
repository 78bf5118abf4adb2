import { z } from '../quantity/z'
import { idSchema } from './parts'

/** One time that something was wrong: what was seen, what was tried, what it was and how it was mended. */
export const mendSchema = z.strictObject({
  id: idSchema,
  /** When it was mended, or last worked on, as an ISO date and time. */
  at: z.string().max(40),
  /** In words. */
  symptom: z.string().max(1_000),
  tests: z
    .array(z.strictObject({ test: z.string().max(400), outcome: z.string().max(400) }))
    .max(100),
  /** Id and kind of the fault as this program lists them, where it was one of those. */
  fault: z.string().max(400).optional(),
  kind: z.string().max(60).optional(),
  cause: z.string().max(400),
  /** What was done. */
  mend: z.string().max(1_000),
  /** Hands on. */
  minutes: z.number().min(0).max(100_000),
})
export type MendEntry = Readonly<z.infer<typeof mendSchema>>
