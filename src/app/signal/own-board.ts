import { pinAbilities, type PinAbility } from '../../core/plan/choices'
import { boardSchema, highestVolts, nameSchema, type Board } from '../../core/plan/parts'
import { z } from '../../core/quantity/z'
import { amount, checkPart } from '../parts/amount'

type Pin = Board['pins'][number]

/** How abilities may be written; the first is how they are written out. */
const words: Readonly<Record<PinAbility, readonly string[]>> = {
  digital: ['digital'],
  pwm: ['pwm'],
  analogue: ['analogue', 'analog'],
  interrupt: ['interrupt'],
  'input-only': ['input-only', 'input'],
  'output-only': ['output-only', 'output'],
  serial: ['serial'],
  boot: ['boot'],
}

export type PinsRead =
  | { readonly ok: true; readonly pins: readonly Pin[] }
  | { readonly ok: false; readonly message: string }

/**
 * Reads pins as they are jotted, a line each: a name or a range of names, and what they can do.
 *
 * @example readPins('D0-D1 digital serial\nD5 output 5V\nA0-A3 analogue')
 */
export function readPins(text: string): PinsRead {
  const pins: Pin[] = []
  for (const line of text.split('\n')) {
    const [range, ...rest] = line.trim().split(/[\s,]+/)
    if (range === undefined || range === '') continue
    const can: PinAbility[] = []
    let highV: number | undefined
    for (const word of rest) {
      const volts = /^(\d+(?:\.\d+)?)v$/i.exec(word)?.[1]
      const ability = pinAbilities.find((one) => words[one].includes(word.toLowerCase()))
      if (volts !== undefined) highV = Number(volts)
      else if (ability === undefined)
        return {
          ok: false,
          message: `“${word}” of ${range}: a pin can be ${pinAbilities.join(', ')}, or have its own volts such as 5V`,
        }
      else can.push(ability)
    }
    const names = namesOf(range)
    if (names === undefined)
      return { ok: false, message: `“${range}”: a name such as D3, or a range such as D2-D9` }
    // Whatever sends or measures is digital too, unless it only listens.
    const all: PinAbility[] =
      can.includes('digital') || can.includes('input-only') ? can : ['digital', ...can]
    for (const name of names) pins.push({ name, can: all, ...(highV !== undefined && { highV }) })
  }
  const twice = pins.find(({ name }, index) => pins.findIndex((pin) => pin.name === name) < index)
  if (twice !== undefined) return { ok: false, message: `${twice.name} stands there twice` }
  if (pins.length === 0) return { ok: false, message: 'A board without a pin drives nothing' }
  if (pins.length > 200) return { ok: false, message: 'At most 200 pins' }
  return { ok: true, pins }
}

/** `D2-D5` as D2, D3, D4, D5. */
function namesOf(range: string): string[] | undefined {
  if (/^[\w+]{1,20}$/.test(range)) return [range]
  const [, head, from, other = head, to] = /^([A-Za-z]*)(\d+)-([A-Za-z]*)(\d+)$/.exec(range) ?? []
  if (head === undefined || (other !== '' && other !== head)) return undefined
  const count = Number(to) - Number(from) + 1
  if (count < 1 || count > 200) return undefined
  return Array.from({ length: count }, (_, index) => `${head}${String(Number(from) + index)}`)
}

/** Pins as they are jotted, so that a board can be made after another. */
export const pinsText = (pins: readonly Pin[]): string =>
  pins
    .map(({ name, can, highV }) =>
      [
        name,
        ...can.map((ability) => words[ability][0]),
        ...(highV === undefined ? [] : [`${String(highV)}V`]),
      ].join(' '),
    )
    .join('\n')

const rawVolts = amount('Raw input', highestVolts)

const fields = z.object({
  name: nameSchema,
  highV: amount('Logic high', 24),
  memoryKb: amount('Memory', 1e6),
  pinMa: amount('A pin', 10_000),
  allMa: amount('Its pads', 50_000),
  drawMa: amount('It draws', 10_000),
  /** Of a raw input: all four. */
  fromV: rawVolts.optional(),
  toV: rawVolts.optional(),
  limitA: amount('Its regulator’s amperes', 50).optional(),
  limitW: amount('Its regulator’s watts', 50).optional(),
  pins: z.string().superRefine((text, context) => {
    const read = readPins(text)
    if (!read.ok) context.addIssue({ code: 'custom', message: read.message })
  }),
})
export type OwnBoard = z.output<typeof fields>

/** What is asked for a board of the user's own, checked as the plan checks it. */
export const ownBoardSchema = fields.superRefine((own, context) => {
  const { fromV, toV, limitA, limitW } = own
  if (fromV !== undefined && toV !== undefined && fromV > toV)
    context.addIssue({
      code: 'custom',
      path: ['toV'],
      message: 'Raw input: its end is not below where it begins',
    })
  if ([fromV, toV, limitA, limitW].filter((one) => one === undefined).length % 4 !== 0)
    context.addIssue({
      code: 'custom',
      path: ['fromV'],
      message: 'Raw input: all four of its figures, or none',
    })
  if (!readPins(own.pins).ok) return
  checkPart(boardSchema, boardFrom(own, 'own', { supplyV: 5 }), context, ([first]) =>
    first === 'pins' ? 'pins' : 'name',
  )
})

/** The form as it starts from a board. */
export const ownBoardStart = (like: Board): OwnBoard => ({
  name: '',
  highV: like.highV,
  memoryKb: like.memoryBytes / 1024,
  pinMa: like.pinA * 1000,
  allMa: like.allA * 1000,
  drawMa: like.drawA * 1000,
  fromV: like.raw?.fromV,
  toV: like.raw?.toV,
  limitA: like.raw?.limitA,
  limitW: like.raw?.limitW,
  pins: pinsText(like.pins),
})

/** The board that was described; it runs on the volts of the one that it started from. */
export function boardFrom(
  own: OwnBoard,
  id: string,
  like: Pick<Board, 'supplyV' | 'speed'>,
): Board {
  const { name, highV, memoryKb, pinMa, allMa, drawMa, fromV, toV, limitA, limitW } = own
  const read = readPins(own.pins)
  const isWhole =
    fromV !== undefined && toV !== undefined && limitA !== undefined && limitW !== undefined
  return {
    id,
    name,
    highV,
    pins: read.ok ? [...read.pins] : [],
    pinA: pinMa / 1000,
    allA: allMa / 1000,
    memoryBytes: memoryKb * 1024,
    supplyV: like.supplyV,
    ...(like.speed && { speed: like.speed }),
    drawA: drawMa / 1000,
    price: 0,
    ...(isWhole && { raw: { fromV, toV, limitA, limitW } }),
  }
}
