import type { Connector } from './connectors'
import { inputKinds, type BillUnit, type InputKind, type WireColour } from '../plan/choices'
import type { Board, LightPart, SupplyPart, Profile } from '../plan/parts'
import { toCents } from '../quantity/round'
import { formatBore, formatLength, formatQuantity, significant } from '../quantity/format'
import type { ChemistryName } from './chemistries'
import type { Diode } from './diodes'
import { buffer, extensionLeads, sinkBoard, splitter } from './drivers'
import { inputParts } from './inputs'
import type { PowerSwitch } from './power-switches'
import type { BoxPart, Size } from './sizes'
import type { SheetMaterial } from './sheets'
import type { Wire } from './wires'

/** Groups of the bill, in the order in which it prints them. */
export const billGroups = [
  'light',
  'power',
  'board',
  'wire',
  'small parts',
  'mounting',
  'sheets',
  'own',
] as const
export type BillGroup = (typeof billGroups)[number]

/** A pack, spool or length as it is sold; `null` where nobody knows its price. */
export interface SoldPack {
  /** Pieces, metres or sheets in it: a whole number, but for reels of strip. */
  readonly size: number
  readonly price: number | null
}

/** Something that can be bought, and how it is sold. Prices are *typical*. */
export interface Sold {
  /** What it is, so that own prices and the drawer know it in every plan. */
  readonly id: string
  /** The id of the part that it is, where there is one. */
  readonly part?: string
  readonly name: string
  readonly group: BillGroup
  readonly unit: BillUnit
  readonly packs: readonly SoldPack[]
  /** Some are bought on top, by the house rule: they break and get lost. */
  readonly hasSpare?: boolean
}

/** Packs by what one costs, and what a pack of so many costs for each in it. */
const packs = (
  each: number,
  ...larger: readonly (readonly [size: number, share: number])[]
): SoldPack[] => [
  { size: 1, price: toCents(each) },
  ...larger.map(([size, share]) => ({ size, price: toCents(each * size * share) })),
]

const piece = (
  group: BillGroup,
  id: string,
  name: string,
  each: number | null,
  ...larger: Parameters<typeof packs>[1][]
): Sold => ({
  id,
  name,
  group,
  unit: 'piece',
  packs: each === null ? [{ size: 1, price: null }] : packs(each, ...larger),
})
const spared = (sold: Sold): Sold => ({ ...sold, hasSpare: true })
const metres = (
  group: BillGroup,
  id: string,
  name: string,
  perM: number,
  ...larger: Parameters<typeof packs>[1][]
): Sold => ({ id, name, group, unit: 'm', packs: packs(perM, ...larger) })

/** A number inside an id. */
const key = (value: number): string => String(value).replace('.', '_')

// Light and power

export const soldLight = ({ id, name, price }: LightPart): Sold => ({
  ...piece('light', `light.${id}`, name, price, [10, 0.9], [50, 0.8]),
  part: id,
})

/** Single lights of which nothing is said yet. */
export const soldUndecidedLight: Sold = piece(
  'light',
  'light-undecided',
  'single light, kind not chosen yet',
  null,
)

export const soldSupply = ({ id, name, price }: SupplyPart): Sold => ({
  ...piece('power', `supply.${id}`, name, price),
  part: id,
})

const cellNames: Readonly<Record<ChemistryName, readonly [name: string, price: number]>> = {
  'alkaline-aa': ['AA cell, alkaline', 0.6],
  'alkaline-9v': ['9 V block, alkaline', 2.5],
  'nimh-aa': ['AA cell, rechargeable', 2.5],
  'li-ion': ['lithium cell, protected', 6],
  lifepo4: ['iron-phosphate cell', 12],
  'lead-acid-12v': ['12 V lead battery', 18],
}
export const soldCell = (chemistry: ChemistryName): Sold =>
  piece('power', `cell.${chemistry}`, ...cellNames[chemistry], [4, 0.85])

export const soldHolder: Sold = piece('power', 'cell-holder', 'holder or clip for the cells', 1.2)

export const soldUsbLead: Sold = piece('power', 'usb-lead', 'USB lead with open ends', 2)
export const soldTrigger = (volts: number): Sold =>
  piece(
    'power',
    `trigger.${key(volts)}`,
    `power delivery trigger board, ${formatQuantity(volts, 'V')}`,
    3.5,
  )
export const soldBarrelSocket: Sold = piece(
  'power',
  'barrel-socket',
  'barrel socket with screw terminals',
  0.8,
  [5, 0.8],
)
export const soldPowerSwitch = ({ id, name, price }: PowerSwitch): Sold =>
  piece('power', `power-switch.${id}`, name, price)
export const soldConnector = ({ id, name, price }: Connector): Sold =>
  piece('power', `connector.${id}`, name, price)
export const soldTerminals = (ways: number): Sold =>
  piece(
    'power',
    `terminals.${key(ways)}`,
    `terminal block, ${String(ways)} ways`,
    toCents(0.6 + 0.25 * ways),
  )
export const soldSplitter = (ways: number): Sold =>
  piece('power', `splitter.${key(ways)}`, `splitter, ${String(ways)} ways`, splitter.price(ways))
export const soldExtension = (lengthMm: number): Sold =>
  piece(
    'power',
    `extension.${key(lengthMm)}`,
    `extension lead, ${formatLength(lengthMm, 'cm')}`,
    extensionLeads.find(([mm]) => mm === lengthMm)?.[1] ?? null,
  )
/** Tracks come in many makes and lengths: its price is the user's to say. */
export const soldTrack = (limitA: number): Sold =>
  piece('power', `track.${key(limitA)}`, `bus track, up to ${formatQuantity(limitA, 'A')}`, null)
export const soldFuse = (ampere: number): Sold =>
  piece('power', `fuse.${key(ampere)}`, `fuse, ${significant(ampere)} A`, 0.35, [10, 0.6])
export const soldFuseHolder: Sold = piece(
  'power',
  'fuse-holder',
  'fuse holder, in line',
  1.2,
  [5, 0.8],
)
export const soldCapacitor = (uF: number, volts: number): Sold =>
  piece(
    'power',
    `capacitor.${key(uF)}.${key(volts)}`,
    `capacitor, ${String(uF)} µF ${significant(volts)} V`,
    0.4,
    [10, 0.6],
  )

// The board and what hangs on it

export const soldBoard = ({ id, name, price }: Board): Sold => ({
  ...piece('board', `board.${id}`, name, price),
  part: id,
})
export const soldBuffer: Sold = piece(
  'board',
  'buffer',
  `level buffer, ${String(buffer.channels)} channels`,
  buffer.price,
)
export const soldDiode = ({ id, name, price }: Diode): Sold =>
  spared({ ...piece('board', `diode.${id}`, name, price, [10, 0.7]), part: id })
export const soldMosfet: Sold = piece('board', 'mosfet', 'logic-level MOSFET', 0.9, [10, 0.7])
export const soldTransistor: Sold = piece(
  'board',
  'transistor',
  'small NPN transistor',
  0.1,
  [10, 0.6],
)
export const soldSinkBoard: Sold = piece(
  'board',
  'sink-board',
  `PWM sink board, ${String(sinkBoard.outputs)} outputs`,
  sinkBoard.price,
)
/** Boards that read columns or channels of nodes differ too much for a price. */
export const soldReader = (each: number, by: string): Sold =>
  piece('board', `reader.${by}.${key(each)}`, `reading board for ${String(each)} ${by}`, null)
export const soldDriver: Sold = piece('board', 'row-driver', 'row and column driver, 8 × 8', 2.5)
export const soldInput = (kind: InputKind): Sold =>
  piece('board', `sensor.${kind}`, inputParts[kind].name, inputParts[kind].price)
export const soldStatusLight: Sold = piece(
  'board',
  'status-light',
  'status light, three colours, common minus',
  0.3,
)
export const soldUsbCable: Sold = piece('board', 'usb-cable', 'USB cable for the board', 2.5)

// Wire

/** Lengths in which single wire and cable are sold, m, and what a metre costs on them against the usual; *typical*. */
const spoolLengths: readonly (readonly [metres: number, share: number])[] = [
  [2, 1.3],
  [5, 1],
  [10, 0.85],
  [25, 0.7],
  [100, 0.55],
]
const spools = (id: string, name: string, perM: number): Sold => ({
  id,
  name,
  group: 'wire',
  unit: 'm',
  packs: spoolLengths.map(([size, share]) => ({ size, price: toCents(perM * size * share) })),
})

/** A single wire: half of what the pair costs. */
export const soldWire = ({ id, name, pricePerM }: Wire, colour: WireColour): Sold =>
  spools(`wire.${id}.${colour}`, `wire ${name}, ${colour}`, pricePerM / 2)
export const soldCable = (cores: number, { id, name, pricePerM }: Wire): Sold =>
  spools(
    `cable.${key(cores)}.${id}`,
    `cable, ${String(cores)} cores of ${name}`,
    (pricePerM / 2) * cores * 1.2,
  )

/** How thick an insulated wire is, mm: its strands take about 1.3 × its copper, and 0.4 mm of insulation lies on each side. *Typical.* */
const wireThicknessMm = ({ areaMm2 }: Pick<Wire, 'areaMm2'>): number =>
  2 * Math.sqrt((1.3 * areaMm2) / Math.PI) + 0.8

/** How thick so many of them are side by side, mm: round wires fill about 0.65 of a bundle; a sheath adds 1.2 mm. */
export const bundleThicknessMm = (wires: number, wire: Pick<Wire, 'areaMm2'>): number =>
  wires === 1 ? wireThicknessMm(wire) : wireThicknessMm(wire) * Math.sqrt(wires / 0.65) + 1.2

// Small parts

const ratingText = (ratingW: number): string =>
  ratingW >= 1 ? `${significant(ratingW)} W` : `1/${String(Math.round(1 / ratingW))} W`
export const soldResistor = (ohm: number, ratingW: number): Sold =>
  spared(
    piece(
      'small parts',
      `resistor.${key(ohm)}.${key(Math.round(ratingW * 1000))}`,
      `resistor, ${formatQuantity(ohm, 'Ω')}, ${ratingText(ratingW)}`,
      ratingW > 0.5 ? 0.25 : 0.05,
      [10, 0.7],
      [100, 0.3],
    ),
  )
/** @param mm its bore */
export const soldSleeve = (mm: number): Sold => ({
  ...metres(
    'small parts',
    `sleeve.${key(mm)}`,
    `heat-shrink sleeve, ${formatBore(mm)} (${formatBore(mm, 'ft-in')})`,
    0.8,
    [5, 0.7],
  ),
  hasSpare: true,
})
export const soldSolder: Sold = {
  id: 'solder',
  name: 'solder, 0.8 mm, with flux',
  group: 'small parts',
  unit: 'm',
  packs: [
    { size: 2, price: 2 },
    { size: 25, price: 12 },
  ],
}
export const soldTies: Sold = spared(
  piece('small parts', 'ties', 'cable ties, 100 mm', 0.05, [100, 0.4]),
)

// Mounting

export const soldEndCap = (widthMm: number): Sold =>
  spared(
    piece(
      'mounting',
      `end-cap.${key(widthMm)}`,
      `end cap for a sealed ${significant(widthMm)} mm strip`,
      0.2,
      [10, 0.7],
    ),
  )
export const soldSealant: Sold = piece('mounting', 'sealant', 'neutral silicone sealant, a tube', 5)

/** Glands by the cable that they close on, and the hole that they go into, mm. */
const glands = [
  { upToMm: 6.5, holeMm: 12, price: 0.7 },
  { upToMm: 10, holeMm: 16, price: 0.9 },
  { upToMm: 14, holeMm: 20, price: 1.2 },
  { upToMm: 18, holeMm: 25, price: 1.8 },
] as const
/** The hole for the gland of a cable so thick, mm; the largest there is where it is thicker than any takes. */
export const glandHoleMm = (cableMm: number): number =>
  (glands.find(({ upToMm }) => cableMm <= upToMm) ?? glands[glands.length - 1])?.holeMm ?? 0
/** The gland for a cable so thick; without one where it is thicker than any takes. */
export function soldGland(cableMm: number): Sold {
  const found = glands.find(({ upToMm }) => cableMm <= upToMm)
  return found === undefined
    ? piece(
        'mounting',
        'gland.large',
        `gland for a ${String(Math.ceil(cableMm))} mm cable: use several holes`,
        null,
      )
    : piece(
        'mounting',
        `gland.${key(found.holeMm)}`,
        `gland for ${significant(found.upToMm)} mm cable, ${String(found.holeMm)} mm hole`,
        found.price,
        [5, 0.8],
      )
}
export const soldBox = ({ id, name, price }: BoxPart): Sold => piece('mounting', id, name, price)
/** A box of a size of one's own: nobody knows its price. */
export const soldOwnBox = ({ lengthMm, widthMm, tallMm }: Size): Sold =>
  piece(
    'mounting',
    `box-own.${[lengthMm, widthMm, tallMm].map(key).join('.')}`,
    `box, ${[lengthMm, widthMm, tallMm].map((mm) => significant(mm)).join(' × ')} mm inside`,
    null,
  )
export const soldClip = (widthMm: number): Sold =>
  spared(
    piece(
      'mounting',
      `clip.${key(widthMm)}`,
      `clip with screws, for a ${significant(widthMm)} mm strip`,
      0.12,
      [50, 0.6],
    ),
  )
export const soldTape: Sold = metres(
  'mounting',
  'tape',
  'double-sided mounting tape, 9 mm',
  0.5,
  [5, 0.8],
  [25, 0.6],
)
export const soldGlue: Sold = piece(
  'mounting',
  'glue-stick',
  'hot-glue stick, 11 mm',
  0.3,
  [10, 0.7],
)
export const soldMagnet: Sold = spared(
  piece('mounting', 'magnet', 'magnet, 10 mm, flat', 0.4, [10, 0.7]),
)
export const soldProfile = ({ id, name, bars }: Profile): Sold => ({
  id: `profile.${id}`,
  name,
  group: 'mounting',
  unit: 'm',
  packs: bars.map(({ lengthMm, price }) => ({ size: lengthMm / 1000, price })),
})
export const soldCover = ({ id, name, bars, coverPricePerM }: Profile, cover: string): Sold => ({
  id: `cover.${id}.${cover}`,
  name: `${cover} cover for ${name}`,
  group: 'mounting',
  unit: 'm',
  packs: bars.map(({ lengthMm }) => ({
    size: lengthMm / 1000,
    price: toCents((coverPricePerM * lengthMm) / 1000),
  })),
})
export const soldProfileCap = (
  { id, name, capPrice }: Profile,
  side: 'left' | 'right' | 'either',
): Sold =>
  piece(
    'mounting',
    `profile-cap.${id}.${side}`,
    `end cap${side === 'either' ? '' : ` for the ${side}`}, ${name}`,
    capPrice,
  )
export const soldMountingClip = ({ id, name }: Profile): Sold =>
  piece('mounting', `profile-clip.${id}`, `mounting clip, ${name}`, 0.35, [10, 0.8])

/** One size of a material. */
export const soldSheet = (
  { id, name }: SheetMaterial,
  { widthMm, heightMm, price }: SheetMaterial['sizes'][number],
): Sold => ({
  id: `sheet.${id}.${String(widthMm)}x${String(heightMm)}`,
  name: `${name}, ${String(widthMm / 10)} × ${String(heightMm / 10)} cm`,
  group: 'sheets',
  unit: 'sheet',
  packs: [{ size: 1, price }],
})

// Nodes

/** A part of a node by its name: a sensor that ships is the same thing as one beside the board; nobody knows what others cost. */
export function soldNodePart(name: string): Sold {
  const kind = inputKinds.find((one) => inputParts[one].name === name)
  return kind === undefined
    ? piece('board', `node.${name}`.slice(0, 120), name, null)
    : soldInput(kind)
}
