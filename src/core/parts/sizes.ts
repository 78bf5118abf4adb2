import type { Board, SupplyPart } from '../plan/parts'

/** Outer size, mm: the two larger sides lie flat. */
export interface Size {
  readonly widthMm: number
  readonly lengthMm: number
  readonly tallMm: number
}

const size = (lengthMm: number, widthMm: number, tallMm: number): Size => ({
  lengthMm,
  widthMm,
  tallMm,
})

/** Sizes of supplies of a kind up to so many watts. *Typical*, a little on the large side. */
const bySupplyWatts = {
  enclosed: [
    [35, size(99, 82, 30)],
    [60, size(110, 78, 36)],
    [110, size(129, 97, 32)],
    [160, size(159, 97, 32)],
    [Infinity, size(215, 115, 50)],
  ],
  brick: [
    [30, size(85, 45, 32)],
    [65, size(115, 52, 34)],
    [125, size(150, 62, 36)],
    [Infinity, size(175, 76, 40)],
  ],
} as const

/** A cell in its holder: across and along, mm. *Typical* for round cells as thick as a finger. */
const cellMm = { across: 17, along: 60 }
/** Holders take at most so many cells side by side; more lie on top. */
const cellsAcross = 4
/** What a power bank takes up, cm³ for each Wh. *Typical.* */
const bankCm3PerWh = 4.5

/**
 * How large a supply is that hides in a box; `undefined` for what stays outside: what sits in a socket of its own, or is a port or a pin of
 * something else.
 */
export function supplySize({ kind, volts, ratedA, battery, bank }: SupplyPart): Size | undefined {
  switch (kind) {
    case 'enclosed':
    case 'brick': {
      const watts = volts * ratedA
      return bySupplyWatts[kind].find(([most]) => watts <= most + 1e-6)?.[1]
    }
    case 'battery':
    case 'boosted-cell': {
      const cells = (battery?.inSeries ?? 1) * (battery?.inParallel ?? 1)
      const layers = Math.ceil(cells / cellsAcross)
      const across = Math.min(cells, cellsAcross) * cellMm.across
      const [lengthMm, widthMm] =
        across > cellMm.along ? [across, cellMm.along] : [cellMm.along, across]
      return size(lengthMm, widthMm, layers * cellMm.across + 2)
    }
    case 'power-bank': {
      const cm3 = (bank?.wattHours ?? 37) * bankCm3PerWh
      // As long as two widths, as a bank in a pocket is, and a quarter of the width thick.
      const widthMm = 10 * Math.cbrt(cm3 * 2)
      return size(2 * widthMm, widthMm, widthMm / 4)
    }
    default:
      return undefined
  }
}

/** Air that what gets warm needs all round, mm. *Typical.* */
export const warmAirMm = 20
/** … and what does not: room for its wires. */
export const coolAirMm = 3

/** Needs air: what makes its volts from the mains or from much higher ones. */
export const supplyAirMm = ({ kind }: Pick<SupplyPart, 'kind'>): number =>
  kind === 'enclosed' || kind === 'brick' ? warmAirMm : coolAirMm

/** Boards with their plugs, by the number of their pins where nothing more is known. *Typical.* */
export function boardSize({ pins, memoryBytes }: Pick<Board, 'pins' | 'memoryBytes'>): Size {
  if (pins.length > 40) return size(105, 56, 18)
  if (pins.length <= 8) return size(30, 20, 10)
  return memoryBytes > 100_000 ? size(58, 30, 15) : size(50, 20, 14)
}

/** Small things on a board of their own. *Typical.* */
export const smallSizes = {
  buffer: size(25, 20, 10),
  junction: size(60, 35, 25),
  fuse: size(55, 12, 12),
  plug: size(40, 16, 14),
} as const

/** A box as it is sold: inner size, mm, and its price. *Typical.* */
export interface BoxPart extends Size {
  readonly id: string
  readonly name: string
  readonly price: number
}

const sold = (lengthMm: number, widthMm: number, tallMm: number, price: number): BoxPart => ({
  id: `box-${String(lengthMm)}`,
  name: `plastic box, ${String(lengthMm)} × ${String(widthMm)} × ${String(tallMm)} mm inside`,
  ...size(lengthMm, widthMm, tallMm),
  price,
})

export const boxParts: readonly BoxPart[] = [
  sold(95, 60, 40, 3.5),
  sold(115, 80, 55, 5),
  sold(155, 110, 70, 8),
  sold(195, 145, 80, 12),
  sold(235, 180, 90, 16),
  sold(295, 215, 110, 26),
]
