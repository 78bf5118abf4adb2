import { z } from '../quantity/z'
import { containers } from './build-choices'
import {
  bends,
  connectorIds,
  covers,
  dampnesses,
  facings,
  fixings,
  skipReasons,
  surfaces,
} from './choices'
import { feedSchema } from './power'
import { lightsSchema, nodeSchema } from './lights'
import { farthestMm, lengthSchema, placeSchema, pointSchema, shareSchema } from './measures'
import { idSchema } from './parts'
import { mostCharacters } from './usual'

/** How a run is fixed and what is before it. What is not said takes `usualMount`. */
const mountSchema = z.strictObject({
  surface: z.enum(surfaces).optional(),
  facing: z.enum(facings).optional(),
  bend: z.enum(bends).optional(),
  cover: z.enum(covers).optional(),
  /** From the lights to their cover, mm. */
  coverMm: z.number().min(0.1).max(10_000).optional(),
  damp: z.enum(dampnesses).optional(),
  /** A sealed sleeve around a bare strip. */
  hasSleeve: z.boolean().optional(),
  /** Its cut ends are closed: end caps and sealant. */
  hasCaps: z.boolean().optional(),
  /** Width that gives off heat, mm: a profile's developed width; without it the strip's own. */
  backingMm: z.number().min(0.1).max(1_000).optional(),
  /** The profile that it lies in: `parts/profiles`. */
  profile: idSchema.optional(),
  /** Without it as the house rule says. */
  fixing: z.enum(fixings).optional(),
  /** How high it is above the surface that it lights, and what that has today, lux. */
  aboveMm: z.number().min(1).max(20_000).optional(),
  todayLux: z.number().min(0.001).max(100_000).optional(),
})

/** What a hand changed in the cutting of one part of a run. */
const cuttingSchema = z.strictObject({
  /** Which part, from 0, along the measured line. */
  part: z.int().min(0).max(10_000),
  /** Groups more than the rule gives; fewer where negative. */
  more: z.int().min(-100_000).max(100_000),
  /** How far the end is cut beyond its last mark, mm: that group stays dark. */
  offMm: lengthSchema,
  /** Groups from the part's start at which it is cut into further pieces. */
  splits: z.array(z.int().min(1).max(100_000)).max(200),
})

/** An outline read from a file: its courses in mm, with their true lengths. */
const traceSchema = z.strictObject({
  source: z.string().max(200),
  courses: z
    .array(
      z.strictObject({
        lengthMm: z.number().min(0.001).max(farthestMm),
        points: z.array(pointSchema).min(2).max(20_000),
      }),
    )
    .min(1)
    .max(500),
})

/** Pixels before a run that are not its own, at most at one time. */
const mostExtra = 500

const skipSchema = z
  .strictObject({
    /** The first of them, from 0, in the run; no matter for extra ones. */
    from: z.int().min(0).max(1_000_000),
    count: z.int().min(1).max(1_000_000),
    why: z.enum(skipReasons),
  })
  .superRefine(({ count, why }, context) => {
    if (why !== 'dark' && count > mostExtra)
      context.addIssue({
        code: 'custom',
        path: ['count'],
        message: `at most ${String(mostExtra)} extra pixels before a run`,
        params: { nearest: mostExtra },
      })
  })

/** A sheet of material over or behind what the run goes round. */
const sheetSchema = z.strictObject({
  /** What it is: `parts/sheets`. */
  material: idSchema,
  /** Beyond the outline on each side, mm: to wrap fabric round the edge. */
  wrapMm: z.number().min(0).max(1_000),
})

/** What a run goes into: its wires are threaded through the holes before they are soldered. */
const intoSchema = z.strictObject({
  what: z.enum(containers),
  holes: z
    .array(
      z.strictObject({
        /** At which end of the run, seen from where the wire enters. */
        at: z.enum(['start', 'end']),
        mm: z.number().min(0.1).max(1_000),
      }),
    )
    .max(20),
  /** Extra wire at each end with a hole, mm: to thread it, and to reach while the lid is open. */
  spareMm: z.number().min(0).max(10_000).optional(),
})

/** A line of the pad as it was typed, and what hangs on it. One line, one run. */
export const lineSchema = z.strictObject({
  id: idSchema,
  text: z.string().max(mostCharacters, `a line holds at most ${String(mostCharacters)} characters`),
  /** Letters that its pieces are named by, A1, A2 …; kept for good, since they are written on the strip. */
  tag: z
    .string()
    .regex(/^[A-Z]{1,3}$/, 'one to three capital letters')
    .optional(),
  /** The run's own strip; without one it takes the plan's. */
  stripId: idSchema.optional(),
  /** The supply that feeds it; without one it takes the plan's first. */
  supplyId: idSchema.optional(),
  /** Where it was put on the drawing; without one it is set out beside the others. */
  place: placeSchema.optional(),
  /** Single lights that were placed by hand, in its own mm; the others stay where they are set out. */
  spots: z.array(pointSchema.nullable()).max(2_000).optional(),
  /** The wire enters at the end that is measured last. */
  isTurned: z.boolean().optional(),
  mount: mountSchema.optional(),
  /** Kept free of strip at each end of each part, mm. */
  endMm: lengthSchema.optional(),
  cutting: z.array(cuttingSchema).max(2_000).optional(),
  /** Its own brightness in the scene `level`. */
  level: shareSchema.optional(),
  /** Where power goes in; without any, at the end where data enters. */
  feeds: z.array(feedSchema).max(500).optional(),
  trace: traceSchema.optional(),
  /** Pixels that the program passes over: a stretch of the run's own, or extra ones before it. */
  skip: z.array(skipSchema).max(200).optional(),
  /** The data wire is at the end that the strip's arrow points to. */
  isDataAtEnd: z.boolean().optional(),
  /** What its data wire comes apart at, near its first pixel. */
  dataApart: z.enum(connectorIds).optional(),
  /** Name of the dimmer that a plain strip hangs on; runs of one name dim together, without one it is always on. */
  dimmer: z.string().trim().min(1).max(40).optional(),
  lights: lightsSchema.optional(),
  /** Of pixel nodes on wire: wire is soldered in where the string's own does not reach the next light. */
  isLengthened: z.boolean().optional(),
  node: nodeSchema.optional(),
  sheet: sheetSchema.optional(),
  into: intoSchema.optional(),
})
