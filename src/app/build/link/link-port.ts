/** A wire to a board: text out, text in. */
export interface LinkPort {
  readonly name: string
  /** @throws Error where the board is gone */
  send(text: string): Promise<void>
  onText(take: (text: string) => void): void
  /** Called once, when the board goes away by itself. */
  onGone(take: () => void): void
  close(): Promise<void>
}
