import { z } from '../quantity/z'
import { boardFeeds, inputKinds, levelFixes, wireColours } from './choices'
import { pointSchema } from './measures'
import { idSchema } from './parts'
import { mostLines } from './usual'

/** A data output and the runs behind it, in the order of the data. */
const laneSchema = z.strictObject({
  id: idSchema,
  name: z.string().trim().min(1).max(40),
  lines: z.array(idSchema).max(mostLines),
})

/** Something that the board listens to. */
const inputSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(inputKinds),
  name: z.string().trim().min(1).max(60),
  at: pointSchema.optional(),
})

/** What a status light of three colours says with one of them. */
const statusColourSchema = z.strictObject({
  id: idSchema,
  meaning: z.string().trim().min(1).max(60),
  colour: z.string().regex(/^#[\da-f]{6}$/, 'a colour such as #ffa000'),
})

export const signalSchema = z.strictObject({
  /** A board's part, or `auto` for the smallest that will do. */
  board: z.union([z.literal('auto'), idSchema]),
  boardFrom: z.enum(boardFeeds),
  /** A computer stays plugged into a board that a supply of the plan feeds. */
  usbToo: z.boolean().optional(),
  fix: z.enum(levelFixes),
  /** The diode before the first pixels, where `fix` says so. */
  diode: idSchema,
  /** In each data line, Ω; `null` for none. */
  resistorOhm: z.number().min(0.1).max(100_000).nullable(),
  /** Runs that no lane names go to the last of their kind. */
  lanes: z.array(laneSchema).max(100),
  inputs: z.array(inputSchema).max(100),
  /** Colours of a status light on the board's own pins, by what they mean. */
  status: z.array(statusColourSchema).max(12),
  /** Pins that the user chose; all others are chosen by what is needed. */
  pins: z.array(z.strictObject({ need: z.string().max(120), pin: z.string().max(20) })).max(300),
})

export const wiringSchema = z.strictObject({
  colours: z.strictObject({
    plus: z.enum(wireColours),
    minus: z.enum(wireColours),
    data: z.enum(wireColours),
    clock: z.enum(wireColours),
    signal: z.enum(wireColours),
  }),
  /** Gauge of data and sensor wires. */
  dataWire: idSchema,
  /** Wires that are of another colour than planned, by the terminals at their ends. */
  asBuilt: z
    .array(
      z.strictObject({
        from: z.string().max(200),
        to: z.string().max(200),
        colour: z.enum(wireColours),
      }),
    )
    .max(20_000)
    .optional(),
  /** Joints that are done, by their ids. */
  ticks: z.array(z.string().max(200)).max(20_000),
})
