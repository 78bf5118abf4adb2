/** A band of a resistor: its colour by name, and how it looks. */
export interface Band {
  readonly name: string
  readonly tint: string
}

/** Colours of the digits 0 to 9 (IEC 60062). */
const digits: readonly Band[] = [
  { name: 'black', tint: '#17171a' },
  { name: 'brown', tint: '#7b4a22' },
  { name: 'red', tint: '#c9302c' },
  { name: 'orange', tint: '#f08a24' },
  { name: 'yellow', tint: '#f1cf2e' },
  { name: 'green', tint: '#2f9e44' },
  { name: 'blue', tint: '#2f6fd6' },
  { name: 'violet', tint: '#8a4fd0' },
  { name: 'grey', tint: '#8b8f9d' },
  { name: 'white', tint: '#f5f5f3' },
]
const gold: Band = { name: 'gold', tint: '#c9a227' }
const silver: Band = { name: 'silver', tint: '#b9bcc4' }
const tolerances: readonly (readonly [share: number, band: Band | undefined])[] = [
  [0.01, digits[1]],
  [0.02, digits[2]],
  [0.05, gold],
  [0.1, silver],
]

/** Bands of a value of two digits: both digits, the power of ten, and the tolerance next above. */
export function bandsOf(ohm: number, tolerance: number): Band[] {
  const power = Math.floor(Math.log10(ohm)) - 1
  const value = Math.round(ohm / 10 ** power)
  const multiplier = power === -1 ? gold : power === -2 ? silver : digits[power]
  return [
    digits[Math.floor(value / 10)],
    digits[value % 10],
    multiplier,
    tolerances.find(([share]) => share >= tolerance - 1e-9)?.[1] ?? silver,
  ].filter((band) => band !== undefined)
}
