import { NotUnderstood, type Token } from './tokens'

/** How a line is read. */
export interface Reads {
  /** From pixel to pixel of the strip that the line is for, mm; without it a count of pixels is no length. */
  readonly pixelMm?: number | undefined
  /** As plans before version 5 were read: a unit belongs to its own number only. */
  readonly isBefore5?: boolean
}

/** Walks over the tokens of one line. The last token is always of kind `end` and is never passed. */
export class Reader {
  private index = 0

  constructor(
    private readonly tokens: readonly Token[],
    readonly how: Reads = {},
  ) {}

  /** The token `ahead` places on, without taking it. */
  peek(ahead = 0): Token {
    const token = this.tokens[Math.min(this.index + ahead, this.tokens.length - 1)]
    if (token === undefined) throw new RangeError('a line has at least its end token')
    return token
  }

  take(): Token {
    const token = this.peek()
    if (this.index < this.tokens.length - 1) this.index += 1
    return token
  }

  /** Where the last taken token ended. */
  get lastEnd(): number {
    return this.tokens[this.index - 1]?.end ?? 0
  }

  isMark(mark: string, ahead = 0): boolean {
    const token = this.peek(ahead)
    return token.kind === 'mark' && token.text === mark
  }

  isWord(words: readonly string[], ahead = 0): boolean {
    const token = this.peek(ahead)
    return token.kind === 'word' && words.includes(token.text.toLowerCase())
  }

  isNumber(ahead = 0): boolean {
    return this.peek(ahead).kind === 'number'
  }

  get isAtEnd(): boolean {
    return this.peek().kind === 'end'
  }

  /** Takes the mark if it is next. */
  skipMark(mark: string): boolean {
    const isNext = this.isMark(mark)
    if (isNext) this.take()
    return isNext
  }

  /** Takes the word if it is next. */
  skipWord(...words: string[]): boolean {
    const isNext = this.isWord(words)
    if (isNext) this.take()
    return isNext
  }

  /** Stops with a message about the next token, naming it as it was typed. */
  fail(what: string, token: Token = this.peek()): never {
    throw new NotUnderstood(what, token.at, token.end)
  }

  /** Stops unless the line is used up. */
  expectEnd(wayOut = 'Nothing more was expected here'): void {
    if (!this.isAtEnd) this.fail(`“${this.glob()}”: ${lowerFirst(wayOut)}`)
  }

  /** The next token with everything glued to it, as a person would see it: `12oo`, `1e9`. */
  glob(): string {
    let text = this.peek().text
    for (let ahead = 1; this.peek(ahead).isGlued; ahead += 1) text += this.peek(ahead).text
    return text
  }
}

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)
