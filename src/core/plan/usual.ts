// What a plan takes where nothing is said. Apart from the schema, so that the worker need not load the checker.

export const planFormat = 'glow-tally plan'
export const planVersion = 13

/** Goes up whenever a plan is checked for more than before: what was stored after an older check is checked again. */
export const planCheck = 12

/** Lines in one plan, at most; a longer list is refused with a message that says so. */
export const mostLines = 2_000

/** … and characters in one line. */
export const mostCharacters = 500

/** … and leads that are set by hand, on all its lines together. */
export const mostLeads = 2_500

/** Pixels or cut groups of strip, and single lights, in one plan, at most: more cannot be worked out in a moment. */
export const mostGroups = 150_000
export const mostLights = 10_000

/** Figures that were brought within bounds and are still marked, at most. */
export const mostAdjusted = 200

/** Stands among the tasks of upkeep for the day since when all is in use, where somebody has said so. */
export const inUseTask = 'in use'

/** Gauge of leads that name none. */
export const usualWire = 'mm2-1'

/** Rules that came with the second version of the plan. */
export const usualRules = {
  joins: { areAllowed: false, price: 2 },
  slack: 0.1,
  keep: 0.8,
  joinsMinus: true,
} as const

export const usualUse = {
  batteryHours: 4,
  mix: { fullWhite: 5, level: 55 },
  hoursADay: 4,
  pricePerKwh: 0.3,
} as const

/** How a run is mounted where nothing is said. */
export const usualMount = {
  surface: 'wood',
  facing: 'wall',
  bend: 'flat',
  cover: 'none',
  coverMm: 15,
  damp: 'dry',
  hasSleeve: false,
  hasCaps: false,
} as const

/** Rules that came with the third version of the plan. */
export const usualSignalRules = {
  lowLogic: 'buffer',
  lightResistor: 'each',
  eSeries: 'E24',
  tolerance: 0.05,
} as const

/** Rules that came with the fourth version of the plan. */
export const usualCableRules = { cableWires: 8 } as const

/** What both ends of a wire take to strip and solder, mm: *typical*. Plans before the eleventh version say nothing of it and have none. */
export const usualSlackRules = { slackEndMm: 20 } as const

/** Extra wire at a hole that a run's wires go through, mm: *typical*, to work outside while the lid is open. */
export const usualSpareMm = 60

/** Rules that came with the sixth version of the plan. */
export const usualBuyRules = { spare: 0.1, fixing: 'backing' } as const

/** Nothing of one's own on the bill, nothing bought, nothing taken from the drawer. Typical prices are about those in euros. */
export const usualBuy = { lines: [], prices: [], currency: 'EUR', bought: [], taken: [] } as const

/** Nothing is built yet: piece after piece. */
export const usualBuild = { school: 'one', moved: [], paces: [], log: [] } as const

/** How single lights hang and are driven where nothing is said. */
export const usualLights = {
  inSeries: 1,
  drive: 'always',
  by: 'pin',
  switchWith: 'transistor',
  switchIn: 'minus',
  scan: 'row',
  dwellUs: 2000,
  joining: 'plugs',
  ways: 6,
  leads: 1,
  hasExtensions: false,
} as const

export const usualSignal = {
  board: 'auto',
  boardFrom: 'supply',
  fix: 'none',
  diode: 'rectifier',
  resistorOhm: 330,
  lanes: [],
  inputs: [],
  status: [],
  pins: [],
} as const

/** Colours and gauge where nothing is said; every build has its own. */
export const usualWiring = {
  colours: { plus: 'red', minus: 'black', data: 'green', clock: 'yellow', signal: 'white' },
  dataWire: 'mm2-0_22',
  ticks: [],
} as const
