/** A piece of a jotted line. `at` and `end` count characters from 0; `end` is one past the last. */
export interface Token {
  readonly kind: 'number' | 'word' | 'mark' | 'end'
  readonly text: string
  /** The number's value, for kind `number`; otherwise 0. */
  readonly value: number
  readonly at: number
  readonly end: number
  /** No space stands between this token and the one before. */
  readonly isGlued: boolean
}

/** Thrown while a line is read and caught where the line is returned; never crosses that boundary. */
export class NotUnderstood extends Error {
  constructor(
    message: string,
    /** Where in the line, counted in characters from 0. */
    readonly at: number,
    /** One past the last character of what was not understood. */
    readonly end: number = at,
  ) {
    super(message)
  }
}

const spaces = /\s+/y
const digits = /\d+(?:\.\d+)?|\.\d+/y
const letters = /\p{L}+/uy
const name = /[\p{L}_&](?:[\p{L}\p{N}_&.-]|['’](?=\p{L}))*/uy
const vulgar: Readonly<Record<string, string>> = { '½': '1/2', '¼': '1/4', '¾': '3/4' }
const marks: Readonly<Record<string, string>> = {
  '×': 'x',
  '*': 'x',
  '′': "'",
  '’': "'",
  '″': '"',
  '”': '"',
  '“': '"',
  '−': '-',
  '–': '-',
  ø: 'd',
  Ø: 'd',
  '⌀': 'd',
}
const times = /[xX](?![\p{L}_])/uy
const radiusOrDiameter = /[rRdD](?=\s*(?:\d|\.\d|\())/y
const radiusOrDiameterBefore5 = /[rRdD](?=\d|\.\d)/y

/**
 * Cuts a line, or part of one, into tokens.
 *
 * @param text the whole line; positions are those in it
 * @param options.start where to begin
 * @param options.shown the line as it was typed, where `text` has points for decimal commas
 * @param options.isShapeWord words after which `r 191` and `d60` are a radius and a diameter, not a name
 * @param options.isBefore5 as plans before version 5 were read: `r191` only without a space
 */
export function tokensOf(
  text: string,
  {
    start = 0,
    shown: typed = text,
    isShapeWord = () => false,
    isBefore5 = false,
  }: {
    readonly start?: number
    readonly shown?: string
    readonly isShapeWord?: (word: string) => boolean
    readonly isBefore5?: boolean
  } = {},
): Token[] {
  const round = isBefore5 ? radiusOrDiameterBefore5 : radiusOrDiameter
  const tokens: Token[] = []
  let at = start
  // Written by `push` below, which the checker does not follow.
  let isInShape = false as boolean
  let isGlued = false as boolean

  const match = (pattern: RegExp): string | undefined => {
    pattern.lastIndex = at
    return pattern.exec(text)?.[0]
  }
  const push = (kind: Token['kind'], source: string, shown = source, value = 0): void => {
    tokens.push({ kind, text: shown, value, at, end: at + source.length, isGlued })
    at += source.length
    isGlued = true
  }

  while (at < text.length) {
    const space = match(spaces)
    if (space !== undefined) {
      at += space.length
      isGlued = false
      continue
    }
    const char = String.fromCodePoint(text.codePointAt(at) ?? 0)
    const followsNumber = isGlued && tokens.at(-1)?.kind === 'number'
    const number = match(digits)
    const isMark = char in marks

    if (number !== undefined)
      push('number', number, typed.slice(at, at + number.length), Number(number))
    else if (char in vulgar) push('mark', char, vulgar[char])
    else if (isMark && char !== '’') push('mark', char, marks[char])
    else if (match(times) !== undefined) push('mark', char, 'x')
    else if (isInShape && match(round) !== undefined) push('mark', char, char.toLowerCase())
    else {
      // Straight after a number only letters count: `18in`, `12oo`, but `3x450` was caught above.
      const word = followsNumber ? match(letters) : match(name)
      if (word === undefined) push('mark', char, marks[char] ?? char)
      else {
        push('word', word)
        isInShape ||= isShapeWord(word.toLowerCase())
      }
    }
  }
  tokens.push({
    kind: 'end',
    text: '',
    value: 0,
    at: text.length,
    end: text.length,
    isGlued: false,
  })
  return tokens
}
