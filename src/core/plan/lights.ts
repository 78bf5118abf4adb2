import { z } from '../quantity/z'
import {
  lightDrives,
  lightJoinings,
  lightResistors,
  nodeReads,
  objectShapes,
  pinViews,
  readerKinds,
} from './choices'
import { shareSchema } from './measures'
import { idSchema, nameSchema } from './parts'

/** What hangs where a run has single lights, and how it is driven. */
export const lightsSchema = z.strictObject({
  /** A light's part: `parts/lights`. */
  part: idSchema,
  /** LEDs in series behind one resistor. */
  inSeries: z.int().min(1).max(20).optional(),
  /** Without it as the house rule says. */
  resistor: z.enum(lightResistors).optional(),
  drive: z.enum(lightDrives).optional(),
  /** What works a switch: a pin of the board, or a button by itself. */
  by: z.enum(['pin', 'button']).optional(),
  switchWith: z.enum(['transistor', 'mosfet']).optional(),
  /** Where the switch sits. */
  switchIn: z.enum(['minus', 'plus']).optional(),
  scan: z.enum(['row', 'led']).optional(),
  /** How long a slot of a matrix is lit, µs. */
  dwellUs: z.number().min(0.001).max(1e6).optional(),
  /** Which row or column is on each pin around a matrix part, rows before columns, from 0; without it in that order. */
  circle: z.array(z.int().min(0).max(1_000)).max(1_000).optional(),
  /** From which side those pins count clockwise; from the top where not said. */
  countsFrom: z.enum(pinViews).optional(),
  /** What happens to the plugs of lights that have one. */
  joining: z.enum(lightJoinings).optional(),
  /** Of each splitter. */
  ways: z.int().min(2).max(6).optional(),
  /** Leads from the source that share the lights out between them. */
  leads: z.int().min(1).max(50).optional(),
  /** Extension leads stand where a light's own is too short. */
  hasExtensions: z.boolean().optional(),
  /** Of lights of several colours: how bright the program sets each in the load case "level", 0–1; full where not said. */
  mix: z.array(shareSchema).max(3).optional(),
  /** The hole that each is threaded through, mm; without it the one that its part asks for. */
  holeMm: z.number().min(0.1).max(1_000).optional(),
})

/** Wires, and signals, of all parts of one kind in a node: a node is a small assembly, and there can be thousands of them. */
export const mostNodeWires = 12

/** One thing that is in every node, and what it takes. */
const nodePartSchema = z
  .strictObject({
    id: idSchema,
    name: nameSchema,
    count: z.int().min(1).max(100),
    holes: z.int().min(0).max(100),
    holeMm: z.number().min(0.1).max(1_000),
    wires: z.int().min(0).max(100),
    minutes: z.number().min(0).max(1_000),
    /** What it draws all the time, besides the light itself, mA. */
    mA: z.number().min(0).max(10_000),
    /** Signals that a board reads from it. */
    channels: z.int().min(0).max(100),
    reads: z.enum(nodeReads),
    /** It is the light itself, and on the bill as that. */
    isLight: z.boolean().optional(),
    /** Emitters that are scanned: only those of one node draw at a time. */
    isScanned: z.boolean().optional(),
  })
  .superRefine(({ count, wires, channels }, context) => {
    for (const [key, each] of Object.entries({ wires, channels })) {
      if (count * each <= mostNodeWires) continue
      context.addIssue({
        code: 'custom',
        path: each === 1 ? ['count'] : [key],
        message: `at most ${String(mostNodeWires)} ${key === 'wires' ? 'wires' : 'signals'} of parts of one kind in a node`,
        params: {
          nearest: each === 1 ? mostNodeWires : Math.max(1, Math.floor(mostNodeWires / count)),
        },
      })
    }
  })

/** Lights that are small assemblies: all of a run are alike. */
export const nodeSchema = z.strictObject({
  parts: z.array(nodePartSchema).max(20),
  /** Pixels of a string that sit in each; one where not said. */
  pixels: z.int().min(1).max(100).optional(),
  /** Boards that read them, each so many columns or channels; without any the plan's board reads all. */
  readers: z.strictObject({ by: z.enum(readerKinds), each: z.int().min(1).max(1_000) }).optional(),
  /** What the first took, minutes. */
  sampleMin: z.number().min(0.01).max(10_000).optional(),
  /** What is laid on them. */
  object: z
    .strictObject({ shape: z.enum(objectShapes), mm: z.number().min(0.1).max(10_000) })
    .optional(),
})
