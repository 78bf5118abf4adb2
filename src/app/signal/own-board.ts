import { pinAbilities, type PinAbility } from '../../core/plan/choices'
import type { Board } from '../../core/plan/parts'

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
