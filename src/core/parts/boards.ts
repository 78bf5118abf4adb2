import type { PinAbility } from '../plan/choices'
import type { Board } from '../plan/parts'

// Boards told by what they are, with typical figures (handbook 4); a user adds their own.

type Pin = Board['pins'][number]

const pin = (name: string, ...can: PinAbility[]): Pin => ({ name, can })

/** Digital pins by number: which are serial, can be dimmed, or can interrupt. */
function digitalPins(
  numbers: readonly number[],
  { serial = [], pwm = [], interrupt = [] }: Partial<Record<PinAbility, readonly number[]>>,
): Pin[] {
  return numbers.map((number) =>
    pin(
      `D${String(number)}`,
      'digital',
      ...(pwm.includes(number) ? (['pwm'] as const) : []),
      ...(interrupt.includes(number) ? (['interrupt'] as const) : []),
      ...(serial.includes(number) ? (['serial'] as const) : []),
    ),
  )
}

const upTo = (count: number, from = 0): number[] =>
  Array.from({ length: count }, (_, index) => from + index)

const analoguePins = (count: number, ...more: PinAbility[]): Pin[] =>
  upTo(count).map((number) => pin(`A${String(number)}`, 'digital', 'analogue', ...more))

/** The boards that ship, the smallest that costs least first. */
export const shippedBoards: readonly Board[] = [
  {
    id: 'tiny-5v',
    name: 'tiny 5 V 8-bit board',
    highV: 5,
    pins: [
      pin('P0', 'digital', 'pwm'),
      pin('P1', 'digital', 'pwm'),
      pin('P2', 'digital', 'analogue', 'interrupt'),
      pin('P3', 'digital', 'analogue'),
      pin('P4', 'digital', 'pwm', 'analogue'),
    ],
    pinA: 0.02,
    allA: 0.1,
    memoryBytes: 512,
    speed: { bits: 8, mhz: 16 },
    supplyV: 5,
    raw: { fromV: 7, toV: 12, limitA: 0.15, limitW: 0.6 },
    drawA: 0.012,
    price: 2.5,
  },
  {
    id: 'small-5v',
    name: 'small 5 V 8-bit board',
    highV: 5,
    pins: [
      ...digitalPins(upTo(14), {
        serial: [0, 1],
        pwm: [3, 5, 6, 9, 10, 11],
        interrupt: [2, 3],
      }),
      ...analoguePins(6),
    ],
    pinA: 0.02,
    allA: 0.2,
    memoryBytes: 2048,
    speed: { bits: 8, mhz: 16 },
    supplyV: 5,
    raw: { fromV: 7, toV: 12, limitA: 0.8, limitW: 1 },
    drawA: 0.03,
    price: 4.5,
  },
  {
    id: 'large-5v',
    name: 'large 5 V 8-bit board',
    highV: 5,
    pins: [
      ...digitalPins(upTo(54), {
        serial: [0, 1, 14, 15, 16, 17, 18, 19],
        pwm: [...upTo(12, 2), 44, 45, 46],
        interrupt: [2, 3, 18, 19, 20, 21],
      }),
      ...analoguePins(16),
    ],
    pinA: 0.02,
    allA: 0.2,
    memoryBytes: 8192,
    speed: { bits: 8, mhz: 16 },
    supplyV: 5,
    raw: { fromV: 7, toV: 12, limitA: 0.8, limitW: 1 },
    drawA: 0.07,
    price: 12,
  },
  {
    id: 'button-3v3',
    name: 'button-sized 3.3 V 32-bit board',
    highV: 3.3,
    pins: [
      pin('P0', 'digital', 'pwm', 'analogue', 'interrupt'),
      pin('P1', 'digital', 'pwm', 'interrupt'),
      pin('P2', 'digital', 'pwm', 'analogue', 'interrupt'),
    ],
    pinA: 0.007,
    allA: 0.05,
    memoryBytes: 32_768,
    speed: { bits: 32, mhz: 48 },
    supplyV: 5,
    drawA: 0.02,
    price: 7,
  },
  {
    id: 'buffered-pin-3v3',
    name: '3.3 V 32-bit board with one 5 V output',
    highV: 3.3,
    pins: [
      { ...pin('D5', 'digital', 'output-only'), highV: 5 },
      ...digitalPins([0, 1, 2, 3, 4, 7, 9, 10, 11, 12, 13], {
        serial: [0, 1],
        pwm: [2, 3, 7, 9, 10, 11, 12, 13],
        interrupt: upTo(14),
      }),
      ...analoguePins(6, 'interrupt'),
    ],
    pinA: 0.007,
    allA: 0.25,
    memoryBytes: 196_608,
    speed: { bits: 32, mhz: 120 },
    supplyV: 5,
    drawA: 0.03,
    price: 15,
  },
  {
    id: 'wifi-3v3',
    name: '3.3 V Wi-Fi 32-bit board',
    highV: 3.3,
    pins: [
      ...[4, 13, 14, 16, 17, 18, 19, 21, 22, 23].map((number) =>
        pin(`G${String(number)}`, 'digital', 'pwm', 'interrupt'),
      ),
      ...[25, 26, 27, 32, 33].map((number) =>
        pin(`G${String(number)}`, 'digital', 'pwm', 'analogue', 'interrupt'),
      ),
      ...[34, 35].map((number) => pin(`G${String(number)}`, 'analogue', 'input-only')),
      pin('G5', 'digital', 'pwm', 'interrupt', 'boot'),
      pin('G1', 'digital', 'serial'),
      pin('G3', 'digital', 'serial'),
    ],
    pinA: 0.012,
    allA: 0.5,
    memoryBytes: 327_680,
    speed: { bits: 32, mhz: 160 },
    supplyV: 5,
    drawA: 0.08,
    burstA: 0.4,
    price: 6,
  },
  {
    id: 'classroom-3v3',
    name: 'classroom 3.3 V board',
    highV: 3.3,
    pins: ['0', '1', '2'].map((name) => pin(name, 'digital', 'pwm', 'analogue', 'interrupt')),
    pinA: 0.005,
    allA: 0.09,
    memoryBytes: 131_072,
    speed: { bits: 32, mhz: 64 },
    supplyV: 3.3,
    drawA: 0.03,
    price: 18,
  },
  {
    id: 'pixel-box',
    name: 'ready-made pixel box with buffered outputs',
    highV: 3.3,
    pins: [
      ...upTo(4).map((number) => ({
        ...pin(`OUT${String(number + 1)}`, 'digital', 'output-only'),
        highV: 5,
      })),
      pin('IN1', 'digital', 'analogue', 'interrupt'),
      pin('IN2', 'digital', 'analogue', 'interrupt'),
    ],
    pinA: 0.02,
    allA: 0.3,
    memoryBytes: 327_680,
    supplyV: 5,
    drawA: 0.09,
    burstA: 0.4,
    price: 24,
  },
]

/**
 * The board of that id.
 *
 * @throws RangeError where there is none; a plan is checked for that when it is read
 */
export function boardOf(boards: readonly Board[], id: string): Board {
  const found = boards.find((candidate) => candidate.id === id)
  if (found === undefined) throw new RangeError(`no board has the id ${id}`)
  return found
}
