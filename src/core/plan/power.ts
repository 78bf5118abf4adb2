import { z } from '../quantity/z'
import { connectorIds, junctionKinds } from './choices'
import { lengthSchema, pointSchema } from './measures'
import { idSchema, nameSchema } from './parts'

/** A fuse by itself, none, or of so many A. */
const fuseSchema = z.union([z.literal('auto'), z.literal('none'), z.number().min(0.01).max(100)])

/** What a lead is made of and how long it is. */
const leadSchema = z.strictObject({
  /** Where it comes from: a supply or a junction; without it the run's supply. */
  from: idSchema.optional(),
  /** Gauge; without it the plan's. */
  wire: idSchema.optional(),
  /** As measured, mm; without it as the drawing has it. */
  lengthMm: lengthSchema.optional(),
  fuse: fuseSchema,
  /** What it comes apart at, near where it ends. */
  apart: z.enum(connectorIds).optional(),
})

/** A lead that meets a run. */
export const feedSchema = leadSchema.extend({
  id: idSchema,
  /** The pad, counted in cut groups from the end where data enters. */
  pad: z.union([z.int().min(0).max(1_000_000), z.literal('end')]),
})

export const junctionSchema = leadSchema.extend({
  id: idSchema,
  name: nameSchema,
  kind: z.enum(junctionKinds),
  at: pointSchema.optional(),
  /** What it may carry, A. */
  limitA: z.number().min(0.001).max(1_000),
  /** How many plugs a splitter takes; without it the most there are. */
  ways: z.int().min(2).max(6).optional(),
})

/** Where power comes from: a part, or `auto` for the smallest that will do. */
export const supplySlotSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  part: z.union([z.literal('auto'), idSchema]),
  /** Where it hides on the drawing. */
  at: pointSchema.optional(),
  /** Volts that the capacitor at its first feed stands; `null` for none, by itself where not said. */
  capacitorV: z.number().min(0.1).max(100).nullable().optional(),
  /** What its trimmer is set to, V; without it its nominal volts. */
  trimV: z.number().min(0.5).max(60).optional(),
  /** Its switch by hand: `auto` for the smallest that will do, or a part of `parts/power-switches`; without it as the rule says. */
  powerSwitch: z.union([z.enum(['auto', 'none']), idSchema]).optional(),
})
