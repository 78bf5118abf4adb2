// The bench link: lines of text between the page and a board on a serial port (docs/formats.md). The board repeats what it understood, so
// that a line that was damaged on its way is noticed without a checksum, and a person can type the same lines in any terminal.

/** Version of the protocol, told by `hello`. */
export const linkVersion = 1

/** Bits a second, 8 bits, no parity, one stop bit. */
export const linkBaud = 115_200

/** A line is at most so long, its end not counted. */
export const longestLine = 79

/** Something that takes bytes: so many elements, each of so many bytes. */
export interface LinkShape {
  /** Elements that the plan has. */
  readonly count: number
  /** More elements that can be lit to find out whether the strip is longer. */
  readonly spare: number
  /** Bytes of an element. */
  readonly bytes: number
}

/** What is lit; everything else is dark. Lanes and elements count from 0, a colour has a byte for each channel. */
export type Lit =
  | { readonly word: 'off' }
  /** One element. */
  | { readonly word: 'light'; readonly lane: number; readonly at: number; readonly colour: Colour }
  /** The first `at` elements. */
  | { readonly word: 'first'; readonly lane: number; readonly at: number; readonly colour: Colour }
  | { readonly word: 'all'; readonly lane: number; readonly colour: Colour }
  /** One more every `ms` from the first on, or one that runs along; at the end it begins again. */
  | { readonly word: 'count'; readonly lane: number; readonly ms: number; readonly colour: Colour }
  | { readonly word: 'chase'; readonly lane: number; readonly ms: number; readonly colour: Colour }
export type Colour = readonly number[]

export type Request =
  | Lit
  | { readonly word: 'hello' }
  | { readonly word: 'lane'; readonly lane: number }
  | { readonly word: 'read'; readonly input: number }

const hex = (colour: Colour): string =>
  colour.map((byte) => byte.toString(16).padStart(2, '0')).join('')

/** What is asked, without its number: `light 0 12 ff0000`. */
export function requestText(request: Request): string {
  switch (request.word) {
    case 'hello':
    case 'off':
      return request.word
    case 'lane':
      return `lane ${String(request.lane)}`
    case 'read':
      return `read ${String(request.input)}`
    case 'light':
    case 'first':
      return `${request.word} ${String(request.lane)} ${String(request.at)} ${hex(request.colour)}`
    case 'all':
      return `all ${String(request.lane)} ${hex(request.colour)}`
    case 'count':
    case 'chase':
      return `${request.word} ${String(request.lane)} ${String(request.ms)} ${hex(request.colour)}`
  }
}

/** Why a board does not do what is asked, by the thing that is wrong. */
export const linkErrors = ['word', 'lane', 'pixel', 'colour', 'ms', 'input', 'number'] as const
export type LinkError = (typeof linkErrors)[number]

export type Reply =
  | { readonly number: number; readonly isOk: true; readonly text: string }
  | { readonly number: number; readonly isOk: false; readonly error: LinkError }

/** A line of the board; `undefined` where it answers nothing: noise, or what the program prints besides. */
export function readReply(line: string): Reply | undefined {
  const [, number, kind, text = ''] = /^(\d{1,5}) (ok|error)(?: (.*))?$/.exec(line.trim()) ?? []
  if (number === undefined) return undefined
  if (kind === 'ok') return { number: Number(number), isOk: true, text }
  const error = linkErrors.find((one) => one === text)
  return error && { number: Number(number), isOk: false, error }
}

/** What a request line says: the request itself, or what is wrong with it. Arguments too many are wrong like those that are missing. */
export function readRequest(
  text: string,
  shapes: readonly LinkShape[],
  inputs: number,
): Request | LinkError {
  const [word = '', ...given] = text.split(' ')
  const whole = (at: number): number => {
    const one = given[at] ?? ''
    return /^\d{1,9}$/.test(one) ? Number(one) : NaN
  }
  const hasOnly = (count: number): boolean => given.length === count
  const lane = whole(0)
  const shape = shapes[lane]
  const colourAt = (at: number, bytes: number): Colour | undefined => {
    const one = given[at] ?? ''
    return hasOnly(at + 1) && one.length === 2 * bytes && /^[\da-f]*$/.test(one)
      ? Array.from({ length: bytes }, (_, byte) => parseInt(one.slice(2 * byte, 2 * byte + 2), 16))
      : undefined
  }
  switch (word) {
    case 'hello':
    case 'off':
      return hasOnly(0) ? { word } : 'word'
    case 'read': {
      const input = whole(0)
      return input < inputs && hasOnly(1) ? { word, input } : 'input'
    }
    case 'lane':
      return shape !== undefined && hasOnly(1) ? { word, lane } : 'lane'
    case 'light':
    case 'first': {
      if (shape === undefined) return 'lane'
      const at = whole(1)
      const most = shape.count + shape.spare - (word === 'light' ? 1 : 0)
      if (!(at <= most)) return 'pixel'
      const colour = colourAt(2, shape.bytes)
      return colour === undefined ? 'colour' : { word, lane, at, colour }
    }
    case 'all': {
      if (shape === undefined) return 'lane'
      const colour = colourAt(1, shape.bytes)
      return colour === undefined ? 'colour' : { word, lane, colour }
    }
    case 'count':
    case 'chase': {
      if (shape === undefined) return 'lane'
      const ms = whole(1)
      if (!(ms >= leastMs(shape) && ms <= longestMs)) return 'ms'
      const colour = colourAt(2, shape.bytes)
      return colour === undefined ? 'colour' : { word, lane, ms, colour }
    }
    default:
      return 'word'
  }
}

/** A step of counting or of a chase lasts at most so long, ms. */
const longestMs = 10_000

/** … and at least so long: a lane is never through in less than a second, so that nothing flashes three times in it. */
export const leastMs = ({ count }: Pick<LinkShape, 'count'>): number =>
  Math.max(20, Math.ceil(1000 / Math.max(1, count)))

/**
 * Which elements of a lane are lit some time after the request: from, and up to. A frame may have begun before the request came: it shows
 * the start.
 */
function litSpan(
  lit: Lit,
  lane: number,
  { count, spare }: Pick<LinkShape, 'count' | 'spare'>,
  ms: number,
): readonly [from: number, to: number] {
  if (lit.word === 'off' || lit.lane !== lane) return [0, 0]
  switch (lit.word) {
    case 'light':
      return [lit.at, lit.at + 1]
    case 'first':
      return [0, lit.at]
    case 'all':
      return [0, count + spare]
    case 'count':
    case 'chase': {
      const step = count === 0 ? 0 : Math.floor(Math.max(0, ms) / lit.ms) % count
      return [lit.word === 'count' ? 0 : step, Math.min(count, step + 1)]
    }
  }
}

/** The bytes of a lane, element after element, some time after the request. */
export function litBytes(lit: Lit, lane: number, shape: LinkShape, ms: number): Uint8Array {
  const out = new Uint8Array((shape.count + shape.spare) * shape.bytes)
  const [from, to] = litSpan(lit, lane, shape, ms)
  if (lit.word === 'off') return out
  for (let at = from; at < to; at += 1) out.set(lit.colour.slice(0, shape.bytes), at * shape.bytes)
  return out
}

/** What `hello` is answered with: the protocol's version, how many lanes and inputs there are, and the mark of the plan. */
export const helloText = (lanes: number, inputs: number, mark: string): string =>
  `hello ${String(linkVersion)} ${String(lanes)} ${String(inputs)} ${mark}`

/** … and `lane`: all its elements, spare ones too, and the bytes of each. */
export const laneText = (lane: number, { count, spare, bytes }: LinkShape): string =>
  `lane ${String(lane)} ${String(count + spare)} ${String(bytes)}`

/** Eight digits that differ where the lanes or inputs do: a program that was made from an older plan is noticed. */
export function linkMark(shapes: readonly LinkShape[], inputs: number): string {
  const text = [...shapes.map(({ count, spare, bytes }) => [count, spare, bytes]), [inputs]].join()
  let sum = 2_166_136_261
  for (const character of text) sum = Math.imul(sum ^ character.charCodeAt(0), 16_777_619) >>> 0
  return sum.toString(16).padStart(8, '0')
}
