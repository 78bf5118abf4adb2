// What a plan lets a person choose between. Apart from the schema, so that the worker need not load the checker.

export const roundings = ['inside', 'nearest', 'cover'] as const
export const corners = ['jump', 'fold'] as const
export const gapPlaces = ['far', 'shared', 'near'] as const
export const sizings = ['full-white', 'next-size', 'scenes'] as const
export const caseNames = ['idle', 'full-white', 'red', 'green', 'blue', 'level'] as const
export const lengthUnits = ['mm', 'cm', 'm', 'ft-in'] as const

/** What a strip is stuck to, or lies in. */
/** What a strip is stuck to; `air`: it hangs free; `channel`: a bar or profile. */
export const surfaces = [
  'wood',
  'plaster',
  'metal',
  'glass',
  'plastic',
  'acrylic',
  'fabric',
  'card',
  'channel',
  'air',
] as const
/** Where its light goes: along the wall it is on, down, up, or out to where people look. */
export const facings = ['wall', 'down', 'up', 'room'] as const
/** Across its thin way, as every strip bends, or in its own plane. */
export const bends = ['flat', 'edgewise'] as const
export const covers = ['none', 'clear', 'frosted', 'opal'] as const
/** What holds a strip: its own backing, or what is bought for it. */
export const fixings = ['backing', 'tape', 'clips', 'glue', 'magnets'] as const
/** Codes of currencies that prices are told in (ISO 4217); nothing is converted. */
export const currencies = [
  'AUD',
  'BRL',
  'CAD',
  'CHF',
  'CNY',
  'CZK',
  'DKK',
  'EUR',
  'GBP',
  'INR',
  'JPY',
  'MXN',
  'NOK',
  'NZD',
  'PLN',
  'SEK',
  'USD',
  'ZAR',
] as const
/** What a line of one's own on the bill is counted in. */
export const billUnits = ['piece', 'm', 'sheet'] as const
export const dampnesses = ['dry', 'damp', 'outdoors'] as const
/** Where a light is used, as far as care is due. */
export const usePlaces = ['worn', 'children', 'mains'] as const
export type UsePlace = (typeof usePlaces)[number]
export const furnitureKinds = ['box', 'circle', 'wall'] as const
/** What one lead branches into: a splitter or terminal block at a point, or a bus track with an ampere limit. */
export const junctionKinds = ['terminals', 'splitter', 'track'] as const

/** How a layer of a show meets what is below it, and which way its pattern goes. */
export const blends = ['add', 'lighten', 'over'] as const
export const layerAxes = ['each', 'joined', 'room'] as const

/** What is done where the board's logic is low for the strip. */
export const lowLogics = ['buffer', 'diode', 'lower-supply', '5v-board', 'try'] as const
/** What is built between the board and the first pixels. */
export const levelFixes = ['none', 'buffer', 'diode'] as const
/** Where the board gets its own power: from the first lane's supply, a plug of its own, or the first pixel's pads. */
export const boardFeeds = ['supply', 'usb', 'strip'] as const
/** Where a lead comes apart again, beside its soldered and screwed ends: `parts/connectors`. */
export const connectorIds = ['clip', 'strip-plug', 'barrel', 'crimp', 'screw'] as const
export type ConnectorId = (typeof connectorIds)[number]
/** What a board listens to. */
export const inputKinds = [
  'motion',
  'light',
  'knob',
  'button',
  'tilt',
  'distance',
  'proximity',
  'sound',
  'remote',
] as const
/** What a board's pin can do, and what it must not be disturbed in: serial and boot. */
export const pinAbilities = [
  'digital',
  'pwm',
  'analogue',
  'interrupt',
  'input-only',
  'output-only',
  'serial',
  'boot',
] as const
/** Why a pixel of a lane is never lit: dark in its run, an extra one that renews the signal, or an extra first one behind a diode. */
export const skipReasons = ['dark', 'relay', 'first'] as const
export const wireColours = [
  'red',
  'black',
  'white',
  'green',
  'blue',
  'yellow',
  'orange',
  'brown',
  'violet',
  'grey',
  'pink',
] as const
/** What a wire is for. */
export const wireRoles = ['plus', 'minus', 'data', 'clock', 'signal'] as const

/** How single lights are driven. */
export const lightDrives = [
  'always',
  'switch',
  'pins',
  'sink',
  'matrix',
  'charlie',
  'driver',
] as const
/** One resistor for each group in series, one for all of them, or none. */
export const lightResistors = ['each', 'shared', 'none'] as const
/** From which side the pins around a matrix part count clockwise. */
export const pinViews = ['top', 'below'] as const
/** Lights with a plug on their lead: plugged into splitters, or cut off and soldered. */
export const lightJoinings = ['plugs', 'solder'] as const
export const nodeReads = ['analogue', 'digital'] as const
/** A board that reads nodes takes so many columns of a grid, or so many channels. */
export const readerKinds = ['columns', 'channels'] as const
export const objectShapes = ['round', 'square'] as const
export const eSeriesNames = ['E6', 'E12', 'E24', 'E96'] as const

export type Fixing = (typeof fixings)[number]
export type Currency = (typeof currencies)[number]
export type BillUnit = (typeof billUnits)[number]
export type Surface = (typeof surfaces)[number]
export type Rounding = (typeof roundings)[number]
export type Corners = (typeof corners)[number]
export type GapPlace = (typeof gapPlaces)[number]
export type Sizing = (typeof sizings)[number]
export type LoadCase = (typeof caseNames)[number]
export type LevelFix = (typeof levelFixes)[number]
export type LowLogic = (typeof lowLogics)[number]
export type InputKind = (typeof inputKinds)[number]
export type PinAbility = (typeof pinAbilities)[number]
export type WireColour = (typeof wireColours)[number]
export type WireRole = (typeof wireRoles)[number]
export type LightDrive = (typeof lightDrives)[number]
export type NodeReads = (typeof nodeReads)[number]
export type ESeriesName = (typeof eSeriesNames)[number]
