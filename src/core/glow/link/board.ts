import {
  helloText,
  laneText,
  litBytes,
  longestLine,
  readRequest,
  requestText,
  type LinkShape,
  type Lit,
} from './protocol'

/** What is wrong with the strip on a lane. */
export type StripFault =
  /** Its chips take the colours in another order: letters, such as `RGB`. */
  | { readonly kind: 'order'; readonly order: string }
  /** One element stays dark and hands on its data. */
  | { readonly kind: 'dead'; readonly at: number }
  /** Nothing from this element on hears anything. */
  | { readonly kind: 'broken'; readonly at: number }
  /** It has so many elements. */
  | { readonly kind: 'length'; readonly count: number }

export interface SimulatedLane extends LinkShape {
  /** Letters of its channels as the page counts them, and in the order that the program sends them in. */
  readonly channels: string
  readonly order: string
  readonly faults: readonly StripFault[]
}

export interface SimulatedGiven {
  readonly lanes: readonly SimulatedLane[]
  /** What each input says, 0 to 65535. */
  readonly inputs: readonly number[]
  readonly mark: string
}

/** A board that answers the bench link as the generated C does, with a strip on each lane that can have faults. */
export class SimulatedBoard {
  private line = ''
  private isTooLong = false
  private lit: Lit = { word: 'off' }
  private since = 0

  constructor(private given: SimulatedGiven) {}

  /** Another strip, or other inputs; what is lit stays lit. */
  change(given: SimulatedGiven): void {
    this.given = given
  }

  /** Takes what comes over the wire, and gives what the board sends back. */
  take(text: string, ms: number): string {
    let out = ''
    for (const character of text) {
      if (character === '\n') {
        if (!this.isTooLong && this.line !== '') out += `${this.answer(this.line, ms)}\n`
        this.line = ''
        this.isTooLong = false
      } else if (character !== '\r') {
        if (this.line.length >= longestLine) this.isTooLong = true
        else this.line += character
      }
    }
    return out
  }

  private answer(line: string, ms: number): string {
    const [, number, rest = ''] = /^(\d{1,5}) (.*)$/.exec(line) ?? []
    if (number === undefined) return '0 error number'
    const { lanes, inputs, mark } = this.given
    const request = readRequest(rest, lanes, inputs.length)
    const back = String(Number(number))
    if (typeof request === 'string') return `${back} error ${request}`
    switch (request.word) {
      case 'hello':
        return `${back} ok ${helloText(lanes.length, inputs.length, mark)}`
      case 'lane': {
        const lane = lanes[request.lane]
        return lane === undefined
          ? `${back} error lane`
          : `${back} ok ${laneText(request.lane, lane)}`
      }
      case 'read':
        return `${back} ok ${requestText(request)} ${String(inputs[request.input] ?? 0)}`
      default:
        this.lit = request
        this.since = ms
        return `${back} ok ${requestText(request)}`
    }
  }

  /** What is sent on a lane now. */
  sent(lane: number, ms: number): Uint8Array {
    const own = this.given.lanes[lane]
    return own === undefined ? new Uint8Array() : litBytes(this.lit, lane, own, ms - this.since)
  }

  /** What is seen on the strip of a lane: the light of each element by channel, in the channels' own order; as many as the strip has. */
  seen(lane: number, ms: number): Uint8Array {
    const own = this.given.lanes[lane]
    if (own === undefined) return new Uint8Array()
    const { channels, order, bytes, faults } = own
    const sent = this.sent(lane, ms)
    const length = faults.find((fault) => fault.kind === 'length')?.count ?? own.count
    const broken = Math.min(...faults.map((one) => (one.kind === 'broken' ? one.at : Infinity)))
    const real = faults.find((fault) => fault.kind === 'order')?.order ?? order
    const seen = new Uint8Array(length * bytes)
    for (let at = 0; at < Math.min(length, sent.length / bytes, broken); at += 1) {
      if (faults.some((fault) => fault.kind === 'dead' && fault.at === at)) continue
      for (let channel = 0; channel < bytes; channel += 1) {
        // Which byte of the chip the program sends this channel as, and which channel the chip makes of it.
        const place = order.indexOf(channels.charAt(channel))
        const shown = channels.indexOf(real.charAt(place))
        seen[at * bytes + (shown < 0 ? channel : shown)] = sent[at * bytes + channel] ?? 0
      }
    }
    return seen
  }
}
