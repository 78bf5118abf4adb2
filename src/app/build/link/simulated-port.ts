import { SimulatedBoard, type SimulatedGiven } from '../../../core/glow/link/board'
import { hash } from '../../../core/glow/fixed'
import type { LinkPort } from './link-port'

/** What is wrong with the wire to a simulated board. */
export interface WireFaults {
  /** Characters are damaged or lost now and then. */
  readonly isNoisy: boolean
  /** It hears nothing: switched off, or another program on it. */
  readonly isDeaf: boolean
}

/** One character in so many is damaged on a noisy wire. */
const noiseOneIn = 120

/** A simulated board on a wire of its own, with faults to switch on. */
export class SimulatedPort implements LinkPort {
  readonly name = 'the simulated board'
  readonly board: SimulatedBoard
  wire: WireFaults = { isNoisy: false, isDeaf: false }
  private hear: (text: string) => void = () => undefined
  private tellGone: () => void = () => undefined
  private isClosed = false
  private sent = 0

  constructor(
    given: SimulatedGiven,
    private readonly now: () => number = () => performance.now(),
  ) {
    this.board = new SimulatedBoard(given)
  }

  send(text: string): Promise<void> {
    if (this.isClosed) return Promise.reject(new Error('the port is closed'))
    if (!this.wire.isDeaf) {
      const answer = this.damaged(this.board.take(this.damaged(text), this.now()))
      // As over a wire: the answer comes a moment later.
      setTimeout(() => {
        if (!this.isClosed && answer !== '') this.hear(answer)
      }, 1)
    }
    return Promise.resolve()
  }

  private damaged(text: string): string {
    if (!this.wire.isNoisy) return text
    return Array.from(text, (character) => {
      this.sent += 1
      const chance = hash(20_261, this.sent, 0)
      if (chance % noiseOneIn !== 0) return character
      return chance % 3 === 0 ? '' : String.fromCharCode(33 + (chance % 90))
    }).join('')
  }

  onText(take: (text: string) => void): void {
    this.hear = take
  }

  onGone(take: () => void): void {
    this.tellGone = take
  }

  /** As when its plug is pulled. */
  pull(): void {
    this.isClosed = true
    this.tellGone()
  }

  close(): Promise<void> {
    this.isClosed = true
    return Promise.resolve()
  }
}
