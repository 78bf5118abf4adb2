import type { SupplyPart } from '../plan/parts'

const usbPort = (ratedA: number): SupplyPart => ({
  id: `usb-port-${id(ratedA)}`,
  name: `USB port, ${String(ratedA)} A`,
  kind: 'usb-port',
  volts: 5,
  ratedA,
  efficiency: 0.85,
  standbyW: 0.1,
  price: 0,
})

const usbC = (volts: number, ratedA: number, price: number): SupplyPart => ({
  id: `usb-c-${String(volts)}v-${id(ratedA)}`,
  name: `USB-C power delivery, ${String(volts)} V ${String(ratedA)} A`,
  kind: 'usb-c',
  volts,
  ratedA,
  efficiency: 0.88,
  standbyW: 0.1,
  price,
})

const brick = (volts: number, ratedA: number, price: number): SupplyPart => ({
  id: `brick-${String(volts)}v-${id(ratedA)}`,
  name: `${String(volts)} V brick, ${String(ratedA)} A`,
  kind: 'brick',
  volts,
  ratedA,
  efficiency: 0.87,
  standbyW: 0.1,
  price,
})

const enclosed = (volts: number, watts: number, price: number): SupplyPart => {
  const ratedA = Math.round((watts / volts) * 100) / 100
  return {
    id: `enclosed-${String(volts)}v-${id(watts)}w`,
    name: `${String(volts)} V enclosed, ${String(ratedA)} A`,
    kind: 'enclosed',
    volts,
    ratedA,
    efficiency: 0.86,
    standbyW: 0.5,
    price,
  }
}

const cells = (
  key: string,
  name: string,
  volts: number,
  ratedA: number,
  price: number,
  battery: NonNullable<SupplyPart['battery']>,
): SupplyPart => ({
  id: `battery-${key}`,
  name,
  kind: 'battery',
  volts,
  ratedA,
  efficiency: 1,
  standbyW: 0,
  price,
  battery,
})

const bank = (wattHours: number, ratedA: number, price: number): SupplyPart => ({
  id: `bank-${String(wattHours)}wh`,
  name: `USB power bank, ${String(wattHours)} Wh, ${String(ratedA)} A`,
  kind: 'power-bank',
  volts: 5,
  ratedA,
  efficiency: 0.85,
  standbyW: 0,
  price,
  bank: { wattHours, sleepsBelowA: 0.06 },
})

const rail = (volts: number, ratedA: number): SupplyPart => ({
  id: `computer-${String(volts)}v`,
  name: `Recycled computer supply, ${String(volts)} V rail`,
  kind: 'computer',
  volts,
  ratedA,
  efficiency: 0.78,
  standbyW: 2,
  price: 0,
})

/** What a board's regulator needs above its 5 V where a diode guards its raw input, V (handbook 3, linear-regulator). */
const rawDropoutV = 1.8

/** Cells at a board's raw input, the light on its 5 V pin: the regulator's heat and the sag of the cells meet. */
const cellsOnRaw = (
  key: string,
  name: string,
  battery: Omit<NonNullable<SupplyPart['battery']>, 'cutoffV'>,
): SupplyPart => ({
  ...boardPin(9),
  id: `board-pin-${key}`,
  name,
  standbyW: 0,
  battery: { ...battery, cutoffV: 5 + rawDropoutV },
})

const boardPin = (inV: number): SupplyPart => ({
  id: `board-pin-${id(inV)}v`,
  name: `Board’s 5 V pin, ${String(inV)} V in`,
  kind: 'board-pin',
  volts: 5,
  ratedA: 0.8,
  efficiency: 5 / inV,
  standbyW: 0.2,
  price: 0,
  regulator: { inV, limitA: 0.8, limitW: 1 },
})

const id = (value: number): string => String(value).replace('.', '_')

/** The supplies that ship, *typical* figures (handbook 4). */
export const shippedSupplies: readonly SupplyPart[] = [
  ...[0.5, 0.9, 1.5, 3].map(usbPort),
  usbC(5, 3, 12),
  usbC(9, 3, 16),
  usbC(12, 3, 18),
  usbC(15, 3, 19),
  usbC(20, 3.25, 24),
  usbC(20, 5, 36),
  brick(5, 1, 5),
  brick(5, 2, 6.5),
  brick(5, 3, 8),
  brick(5, 4, 10),
  brick(5, 6, 13),
  brick(5, 8, 17),
  brick(5, 10, 21),
  brick(12, 1, 6),
  brick(12, 2, 8),
  brick(12, 3, 10),
  brick(12, 5, 14),
  brick(12, 6, 17),
  brick(12, 8, 23),
  brick(24, 1, 9),
  brick(24, 2, 13),
  brick(24, 3, 18),
  brick(24, 5, 27),
  enclosed(5, 40, 15),
  enclosed(5, 60, 17),
  enclosed(5, 75, 19),
  enclosed(5, 100, 23),
  enclosed(5, 150, 28),
  enclosed(5, 200, 34),
  enclosed(5, 300, 45),
  enclosed(12, 30, 13),
  enclosed(12, 60, 17),
  enclosed(12, 100, 22),
  enclosed(12, 150, 27),
  enclosed(12, 200, 33),
  enclosed(12, 320, 46),
  enclosed(24, 20, 12),
  enclosed(24, 60, 17),
  enclosed(24, 100, 22),
  enclosed(24, 150, 27),
  enclosed(24, 200, 33),
  enclosed(24, 320, 46),
  rail(5, 20),
  rail(12, 14),
  boardPin(7.5),
  boardPin(9),
  boardPin(12),
  cellsOnRaw('block', 'Board’s 5 V pin, 9 V block at its raw input', {
    chemistry: 'alkaline-9v',
    inSeries: 1,
    inParallel: 1,
  }),
  cellsOnRaw('6-aa', 'Board’s 5 V pin, six round cells at its raw input', {
    chemistry: 'alkaline-aa',
    inSeries: 6,
    inParallel: 1,
  }),
  {
    id: 'boosted-li-ion',
    name: 'Boosted single cell, 5 V 1 A',
    kind: 'boosted-cell',
    volts: 5,
    ratedA: 1,
    efficiency: 0.85,
    standbyW: 0.02,
    price: 9,
    battery: { chemistry: 'li-ion', inSeries: 1, inParallel: 1, cutoffV: 3 },
  },
  bank(18, 2.1, 14),
  bank(37, 2.4, 20),
  bank(74, 3, 34),
  cells('3-aa', 'Three round alkaline cells, AA', 4.5, 1, 2.5, {
    chemistry: 'alkaline-aa',
    inSeries: 3,
    inParallel: 1,
    cutoffV: 3.3,
  }),
  cells('4-nimh', 'Four round NiMH cells, AA', 5, 2, 12, {
    chemistry: 'nimh-aa',
    inSeries: 4,
    inParallel: 1,
    cutoffV: 4,
  }),
  cells('8-aa', 'Eight round alkaline cells, AA', 12, 1, 6, {
    chemistry: 'alkaline-aa',
    inSeries: 8,
    inParallel: 1,
    cutoffV: 9,
  }),
  cells('9v', '9 V block, alkaline', 9, 0.4, 3, {
    chemistry: 'alkaline-9v',
    inSeries: 1,
    inParallel: 1,
    cutoffV: 6.5,
  }),
  cells('lead-12v', '12 V lead-acid block, 7 Ah', 12, 5, 22, {
    chemistry: 'lead-acid-12v',
    inSeries: 1,
    inParallel: 1,
    // Where half is used (handbook 3, battery).
    cutoffV: 12,
  }),
]
