import { z } from '../quantity/z'
import { blends, layerAxes } from './choices'
import { idSchema, nameSchema } from './parts'
import { mostLines } from './usual'

/** What a layer says of its pattern: how it is read is the pattern's own matter, so that one of a newer version is kept as it is. */
const valueSchema = z.union([
  z.number(),
  z.string().max(200),
  z.array(z.string().max(40)).min(1).max(8),
])

const farthestMm = 1_000_000
const coordinate = z.number().min(-farthestMm).max(farthestMm)

/** Where a layer plays: on everything, on some runs or lanes, or on what lies in a rectangle of the drawing. */
const placeOfLayerSchema = z.union([
  z.literal('all'),
  z.strictObject({ runs: z.array(idSchema).min(1).max(mostLines) }),
  z.strictObject({ lanes: z.array(z.string().max(80)).min(1).max(100) }),
  z.strictObject({
    zone: z.strictObject({ x: coordinate, y: coordinate, width: coordinate, height: coordinate }),
  }),
])

const layerSchema = z.strictObject({
  id: idSchema,
  /** A pattern: `glow/patterns`. */
  pattern: z.string().min(1).max(40),
  on: placeOfLayerSchema,
  /** Along each run by itself, along all of them one behind the other, or across the room. */
  axis: z.enum(layerAxes),
  /** Which way is along where it goes across the room: clockwise from rightwards. */
  degrees: z.number().min(-360).max(360).optional(),
  blend: z.enum(blends),
  opacity: z.number().min(0).max(1),
  isOff: z.boolean().optional(),
  set: z.record(z.string().max(40), valueSchema),
})

const sceneSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** How long it plays, or goes on once its input is off again, s. */
  seconds: z.number().min(0.1).max(86_400),
  /** Cross-fade into it, s. */
  fade: z.number().min(0).max(600),
  /** What starts it: an input, or the clock at a minute of the day; without it its turn after the scene before. */
  start: z
    .union([
      z.strictObject({
        input: idSchema,
        when: z.enum(['on', 'off']),
        /** Of a remote: the key that does it. */
        key: z.int().min(1).max(9).optional(),
        /** How often a day that happens in the dark. */
        perDay: z.number().min(0).max(10_000).optional(),
      }),
      z.strictObject({ clock: z.int().min(0).max(1439) }),
    ])
    .optional(),
  layers: z
    .array(layerSchema)
    .max(40, 'a scene holds at most 40 layers: join some, or make a second scene'),
})

export const showSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Where everything random begins. */
  seed: z.int().min(0).max(0xffff_ffff),
  /** The program dims a frame that would draw more of a supply than it may give. */
  isLimited: z.boolean().optional(),
  scenes: z.array(sceneSchema).min(1).max(40, 'a show holds at most 40 scenes'),
})

export type Show = Readonly<z.infer<typeof showSchema>>
export type Scene = Show['scenes'][number]
export type ShowLayer = Scene['layers'][number]
export type LayerValue = ShowLayer['set'][string]
