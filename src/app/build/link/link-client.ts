import {
  readReply,
  requestText,
  type LinkError,
  type Lit,
  type Request,
} from '../../../core/glow/link/protocol'
import type { LinkPort } from './link-port'

/** How long a board has for its answer, ms. */
const patienceMs = 300
/** How often a request is sent before the board counts as silent. */
const tries = 8
/** A line without an end is noise once it is so long. */
const longestHeard = 1_000

/** Why a request was not carried out. */
export class LinkProblem extends Error {
  constructor(
    readonly kind: 'silent' | 'gone' | LinkError,
    message: string,
  ) {
    super(message)
  }
}

/**
 * Speaks the bench link over a port: one request at a time, each repeated until the board says back what it was asked. Lines that answer
 * nothing are kept apart, as what the board also said.
 */
export class LinkClient {
  private number = 0
  private heard = ''
  private queue: Promise<unknown> = Promise.resolve()
  private waiting: { readonly number: number; readonly tell: (line: string) => void } | undefined
  private next: { lit: Lit; done: Promise<void> } | undefined
  private isGone = false
  /** Answers that came damaged or not at all, and were asked for again. */
  repeated = 0

  constructor(
    private readonly port: LinkPort,
    private readonly onOther: (line: string) => void = () => undefined,
  ) {
    port.onText((text) => {
      this.take(text)
    })
    port.onGone(() => {
      this.isGone = true
      this.waiting?.tell('')
    })
  }

  private take(text: string): void {
    const lines = (this.heard + text).split('\n')
    this.heard = (lines.pop() ?? '').slice(-longestHeard)
    for (const line of lines) {
      const reply = readReply(line)
      if (reply !== undefined && reply.number === this.waiting?.number) this.waiting.tell(line)
      else if (reply === undefined && line.trim() !== '') this.onOther(line.trim().slice(0, 200))
    }
  }

  /**
   * Asks the board, and waits for its turn.
   *
   * @returns what the board says behind what was asked
   * @throws LinkProblem where it does not answer, refuses, or is gone
   */
  ask(request: Request): Promise<string> {
    const answer = this.queue.then(() => this.askNow(requestText(request)))
    this.queue = answer.catch(() => undefined)
    return answer
  }

  /** Lights something; of several that wait for their turn only the last is sent. */
  light(lit: Lit): Promise<void> {
    if (this.next !== undefined) {
      this.next.lit = lit
      return this.next.done
    }
    const own = { lit, done: Promise.resolve() }
    own.done = this.queue.then(async () => {
      this.next = undefined
      await this.askNow(requestText(own.lit))
    })
    this.queue = own.done.catch(() => undefined)
    this.next = own
    return own.done
  }

  private async askNow(text: string): Promise<string> {
    let refused: LinkError | undefined
    for (let attempt = 0; attempt < tries; attempt += 1) {
      if (attempt > 0) this.repeated += 1
      const line = await this.sendOnce(text)
      if (this.isGone) throw new LinkProblem('gone', 'The board is gone')
      const reply = line === undefined ? undefined : readReply(line)
      if (reply === undefined) continue
      if (!reply.isOk) refused = reply.error
      else if (reply.text === text || reply.text.startsWith(`${text} `))
        return reply.text.slice(text.length).trim()
    }
    throw refused === undefined
      ? new LinkProblem('silent', 'The board does not answer')
      : new LinkProblem(refused, `The board does not know that ${refused}`)
  }

  /** Sends a line and waits for the one with its number; `undefined` where none comes in time. */
  private async sendOnce(text: string): Promise<string | undefined> {
    this.number = (this.number % 65_535) + 1
    const { number } = this
    let patience: ReturnType<typeof setTimeout> | undefined
    const answer = new Promise<string | undefined>((resolve) => {
      this.waiting = { number, tell: resolve }
      patience = setTimeout(() => {
        resolve(undefined)
      }, patienceMs)
    })
    try {
      // An end of a line first: what is left of a damaged one does not join this one.
      await this.port.send(`\n${String(number)} ${text}\n`)
    } catch {
      this.isGone = true
    }
    if (this.isGone) {
      clearTimeout(patience)
      return undefined
    }
    const line = await answer
    clearTimeout(patience)
    this.waiting = undefined
    return line
  }
}
