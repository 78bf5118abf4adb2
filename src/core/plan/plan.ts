import { z } from '../quantity/z'
import { furnitureSchema, photoSchema } from './bench'
import { buildSchema } from './build'
import { buySchema } from './buy'
import { caseNames, lengthUnits } from './choices'
import { junctionSchema, supplySlotSchema } from './power'
import { lineSchema } from './line'
import { farthestMm, pointSchema } from './measures'
import { mendSchema } from './mend'
import { adjustedSchema, noteSchema, upkeepSchema } from './notes'
import {
  boardSchema,
  idSchema,
  lightPartSchema,
  nameSchema,
  profileSchema,
  stripSchema,
  supplyPartSchema,
} from './parts'
import { rulesSchema, useSchema } from './rules'
import { showSchema } from './show'
import { signalSchema, wiringSchema } from './signal'
import { mostAdjusted, mostLines, planFormat, planVersion } from './usual'

export const planSchema = z.strictObject({
  format: z.literal(planFormat),
  version: z.literal(planVersion),
  name: nameSchema,
  units: z.enum(lengthUnits),
  lines: z.array(lineSchema).max(mostLines),
  defaults: z.strictObject({ stripId: idSchema, wire: idSchema }),
  bench: z.strictObject({
    furniture: z.array(furnitureSchema).max(500),
    /** Where the controller hides. */
    controllerAt: pointSchema.optional(),
    photo: photoSchema.optional(),
  }),
  junctions: z.array(junctionSchema).max(100),
  supplies: z.array(supplySlotSchema).min(1).max(50),
  scene: z.strictObject({
    shown: z.enum(caseNames),
    /** Brightness of the scene `level`, 0–1. */
    level: z.number().min(0).max(1),
  }),
  /** Brightness that the program never exceeds, 0–1. */
  limit: z.number().min(0.001).max(1),
  rules: rulesSchema,
  use: useSchema,
  buy: buySchema,
  build: buildSchema,
  /** What was wrong with it, newest last. */
  mends: z.array(mendSchema).max(1_000),
  notes: z.array(noteSchema).max(2_000),
  /** What was done to keep it well, newest last. */
  upkeep: z.array(upkeepSchema).max(2_000),
  /** Figures that were brought within bounds when an older file was read, until somebody has looked at them. */
  adjusted: z.array(adjustedSchema).max(mostAdjusted),
  signal: signalSchema,
  wiring: wiringSchema,
  /** What it plays; the first of them is shown. */
  shows: z.array(showSchema).max(50, 'a plan holds at most 50 shows'),
  /** Offcuts of strip in the drawer that this plan may use up. */
  offcuts: z
    .array(
      z.strictObject({
        id: idSchema,
        stripId: idSchema,
        lengthMm: z.number().min(1).max(farthestMm),
      }),
    )
    .max(200),
  /** The user's own parts that this plan uses. */
  own: z.strictObject({
    strips: z.array(stripSchema).max(500),
    supplies: z.array(supplyPartSchema).max(500),
    boards: z.array(boardSchema).max(100),
    lights: z.array(lightPartSchema).max(100),
    profiles: z.array(profileSchema).max(100),
  }),
})

export type { MendEntry } from './mend'
export type { AdjustedFigure, Note, NoteAbout, UpkeepEntry } from './notes'
export type { LayerValue, Scene, Show, ShowLayer } from './show'

/** The document: small, immutable, everything else is worked out from it. */
export type Plan = Readonly<z.infer<typeof planSchema>>
export type Line = Plan['lines'][number]
export type Offcut = Plan['offcuts'][number]
export type Place = NonNullable<Line['place']>
export type Mount = NonNullable<Line['mount']>
export type Feed = NonNullable<Line['feeds']>[number]
export type Junction = Plan['junctions'][number]
export type Furniture = Plan['bench']['furniture'][number]
export type Photo = NonNullable<Plan['bench']['photo']>
export type Trace = NonNullable<Line['trace']>
export type SupplySlot = Plan['supplies'][number]
export type Rules = Plan['rules']
export type Use = Plan['use']
export type SolarBox = NonNullable<Use['solar']>
export type Buy = Plan['buy']
export type PlanBox = NonNullable<Buy['boxes']>[number]
export type Build = Plan['build']
export type LogEntry = Build['log'][number]
export type LoggedReading = LogEntry['readings'][number]
export type Into = NonNullable<Line['into']>
export type OwnBillLine = Buy['lines'][number]
export type Bought = Buy['bought'][number]
export type OwnPrice = Buy['prices'][number]
export type Taken = Buy['taken'][number]
export type Sheet = NonNullable<Line['sheet']>
export type Signal = Plan['signal']
export type PlanLane = Signal['lanes'][number]
export type Input = Signal['inputs'][number]
export type StatusColour = Signal['status'][number]
export type Lights = NonNullable<Line['lights']>
export type LightNode = NonNullable<Line['node']>
export type NodePart = LightNode['parts'][number]
export type NodeObject = NonNullable<LightNode['object']>
export type Skip = NonNullable<Line['skip']>[number]
export type Wiring = Plan['wiring']
