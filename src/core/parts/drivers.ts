/** A PWM sink board: outputs that take a set current to minus (handbook 4). Figures are *typical*. */
export const sinkBoard = {
  outputs: 16,
  /** What an output can be set to, mA. */
  mostMa: 60,
  /** What an output needs over it to hold its current, V. */
  dropV: 0.6,
  /** What the board can burn with all outputs on, W. */
  limitW: 1,
  price: 3.2,
} as const

/** Channels of one level buffer, and what it costs; *typical*. */
export const buffer = { channels: 4, price: 1.2 } as const

/** Extension leads as they are sold, mm, shortest first, with their prices; *typical*. */
export const extensionLeads: readonly (readonly [lengthMm: number, price: number])[] = [
  [200, 0.9],
  [500, 1.2],
  [1000, 1.6],
  [2000, 2.4],
]

/** A splitter: its own lead to what comes before it, mm, and its price by ways; *typical*. */
export const splitter = { tailMm: 150, price: (ways: number): number => 0.6 + 0.4 * ways } as const
