import { z } from '../quantity/z'
import { buildSchools, containers, readingKinds, stepKinds } from './build-choices'
import {
  bends,
  billUnits,
  boardFeeds,
  connectorIds,
  corners,
  currencies,
  covers,
  dampnesses,
  eSeriesNames,
  facings,
  fixings,
  furnitureKinds,
  gapPlaces,
  inputKinds,
  junctionKinds,
  lengthUnits,
  lightDrives,
  lightJoinings,
  lightResistors,
  levelFixes,
  lowLogics,
  nodeReads,
  objectShapes,
  pinViews,
  readerKinds,
  roundings,
  caseNames,
  sizings,
  skipReasons,
  surfaces,
  wireColours,
  usePlaces,
} from './choices'
import {
  boardSchema,
  idSchema,
  lightPartSchema,
  profileSchema,
  nameSchema,
  stripSchema,
  supplyPartSchema,
} from './parts'
import { price } from '../quantity/bounded'
import { mendSchema } from './mend'
import { adjustedSchema, noteSchema, upkeepSchema } from './notes'
import { showSchema } from './show'
import { mostAdjusted, mostCharacters, mostLines, planFormat, planVersion } from './usual'

/** Nothing on a drawing is farther away than this, mm. */
const farthestMm = 1_000_000
const coordinate = z.number().min(-farthestMm).max(farthestMm)
const pointSchema = z.tuple([coordinate, coordinate])
const lengthSchema = z.number().nonnegative().max(farthestMm)
const shareSchema = z.number().min(0).max(1)

/** Where the drawing puts something: its own 0,0, and how far it is turned clockwise. */
const placeSchema = z.strictObject({
  x: coordinate,
  y: coordinate,
  degrees: z.number().min(-360).max(360),
})

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
const feedSchema = leadSchema.extend({
  id: idSchema,
  /** The pad, counted in cut groups from the end where data enters. */
  pad: z.union([z.int().min(0).max(1_000_000), z.literal('end')]),
})

const junctionSchema = leadSchema.extend({
  id: idSchema,
  name: nameSchema,
  kind: z.enum(junctionKinds),
  at: pointSchema.optional(),
  /** What it may carry, A. */
  limitA: z.number().min(0.001).max(1_000),
  /** How many plugs a splitter takes; without it the most there are. */
  ways: z.int().min(2).max(6).optional(),
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

/** What hangs where a run has single lights, and how it is driven. */
const lightsSchema = z.strictObject({
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

/** One thing that is in every node, and what it takes. */
/** Wires, and signals, of all parts of one kind in a node: a node is a small assembly, and there can be thousands of them. */
export const mostNodeWires = 12

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
const nodeSchema = z.strictObject({
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
const lineSchema = z.strictObject({
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

/** Where power comes from: a part, or `auto` for the smallest that will do. */
const supplySlotSchema = z.strictObject({
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

/** The schools that practitioners differ on (handbook 5); every sum says which was used. */
const rulesSchema = z.strictObject({
  rounding: z.enum(roundings),
  /** At a corner: cut and joined by a jumper, or folded on. */
  corners: z.enum(corners),
  /** Where the dark rest of a piece lies, seen from the end where the wire enters. */
  gap: z.enum(gapPlaces),
  sizing: z.enum(sizings),
  /** Share of a supply that is kept free, 0–0.5. */
  headroom: z.number().min(0).max(0.5),
  /** A piece may be joined of two, and what a join is worth. */
  joins: z.strictObject({ areAllowed: z.boolean(), price: z.number().min(0).max(10_000) }),
  /** Share by which a wire is longer than its way on the drawing. */
  slack: shareSchema,
  /** … and by so much at each of its ends, to strip and solder it, mm. */
  slackEndMm: z.number().min(0).max(1_000),
  /** Share of full brightness below which a light has faded. */
  keep: z.number().min(0.1).max(1),
  /** Minuses of all supplies are joined; their pluses never are. */
  joinsMinus: z.boolean(),
  lowLogic: z.enum(lowLogics),
  /** For LEDs: whose resistor, of which values, and how exact. */
  lightResistor: z.enum(['each', 'shared']),
  eSeries: z.enum(eSeriesNames),
  tolerance: z.number().min(0).max(0.5),
  /** Wires in the cable that bundles of single wires are bought as. */
  cableWires: z.int().min(2).max(50),
  /** Share of small parts that is bought on top: some break, some get lost. */
  spare: shareSchema,
  fixing: z.enum(fixings),
})

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

const signalSchema = z.strictObject({
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
  /** Pins that the user chose; all others are chosen by what is needed. */
  /** Colours of a status light on the board's own pins, by what they mean. */
  status: z.array(statusColourSchema).max(12),
  pins: z.array(z.strictObject({ need: z.string().max(120), pin: z.string().max(20) })).max(300),
})

const wiringSchema = z.strictObject({
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

/** What the packs of a line of the bill cost at one's own shop. */
export const ownPriceSchema = z.strictObject({
  line: z.string().min(1).max(200),
  packs: z
    .array(z.strictObject({ size: z.number().min(0.001).max(1_000_000), price }))
    .min(1)
    .max(20),
})

/** A box that hides the board, supplies and junctions; inner size, mm. */
const boxSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  lengthMm: z.number().min(10).max(5_000),
  widthMm: z.number().min(10).max(5_000),
  tallMm: z.number().min(5).max(5_000),
  /** Ids of supplies and junctions, and `board`. */
  holds: z.array(z.string().min(1).max(200)).max(200),
})

/** What is bought besides what the plan needs, what is bought already, and what comes from the drawer. */
const buySchema = z.strictObject({
  /** Lines of one's own on the bill; a price is that of one piece, metre or sheet. */
  lines: z
    .array(
      z.strictObject({
        id: idSchema,
        name: nameSchema,
        need: z.number().min(0.001).max(1_000_000),
        unit: z.enum(billUnits),
        price: price.optional(),
      }),
    )
    .max(300),
  /** Own prices that this plan is reckoned with, by the lines of the bill: they beat the typical ones of packs of that size, or are other packs. */
  prices: z.array(ownPriceSchema).max(2_000),
  currency: z.enum(currencies),
  /** Lines of the bill that are bought, by their ids. */
  bought: z
    .array(
      z.strictObject({
        line: z.string().min(1).max(200),
        /** For all of it. */
        paid: price.optional(),
        from: z.string().max(120).optional(),
      }),
    )
    .max(2_000),
  /** What this plan takes from the drawer, by the ids of its items. */
  taken: z
    .array(
      z.strictObject({
        item: idSchema,
        /** The thing on the bill that it is. */
        line: z.string().min(1).max(200),
        amount: z.number().min(0.001).max(1_000_000),
      }),
    )
    .max(1_000),
  /** It is built: what it took is out of the drawer, and what was left is in. */
  isBooked: z.boolean().optional(),
  /** Boxes in which things hide. */
  boxes: z.array(boxSchema).max(50).optional(),
})

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
const buildSchema = z.strictObject({
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

/** How the light is used: for batteries and for the meter. */
const useSchema = z.strictObject({
  /** What a battery has to last, h. */
  batteryHours: z.number().min(0.01).max(10_000),
  /** Minutes of each scene in an hour of use; the rest is idle. */
  mix: z.strictObject({ fullWhite: z.number().min(0).max(60), level: z.number().min(0).max(60) }),
  hoursADay: z.number().min(0).max(24),
  /** Where care is due: on a body, with children, beside sockets or mains wiring. */
  where: z.array(z.enum(usePlaces)).max(usePlaces.length).optional(),
  pricePerKwh: z.number().min(0).max(100),
  /** A solar panel that charges its battery. */
  solar: z
    .strictObject({
      panelW: z.number().min(0).max(5_000),
      /** Peak sun hours: kWh/m² a day on the panel. */
      sunHours: z.number().min(0).max(24),
      chargeEfficiency: z.number().min(0.01).max(1),
      batteryWh: z.number().min(0).max(100_000),
      usableShare: z.number().min(0.01).max(1),
    })
    .optional(),
})

const furnitureSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(furnitureKinds),
  name: z.string().max(60),
  place: placeSchema,
  widthMm: lengthSchema,
  heightMm: lengthSchema,
})

/** A photo or sketch under the drawing. */
const photoSchema = z.strictObject({
  /** The picture itself, as a data address of a JPEG or PNG. */
  data: z
    .string()
    .max(3_000_000, 'the picture is larger than 3 MB')
    .regex(/^data:image\/(?:jpeg|png|webp);base64,[\w+/=]*$/, 'a JPEG, PNG or WebP picture'),
  widthPx: z.int().min(1).max(10_000),
  heightPx: z.int().min(1).max(10_000),
  at: pointSchema,
  mmPerPx: z.number().min(0.0001).max(10_000),
  opacity: shareSchema,
})

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

/** The document: small, immutable, everything else is worked out from it. */
export type { MendEntry } from './mend'
export type { AdjustedFigure, Note, NoteAbout, UpkeepEntry } from './notes'
export type { LayerValue, Scene, Show, ShowLayer } from './show'
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
