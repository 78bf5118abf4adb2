/** Rules "up" and "down" forgive this much, relative: 36.9999999999 groups are 37. */
const slack = 1e-9

/** Rounds down, forgiving a value a hair below a whole number. */
export const roundDown = (value: number): number => Math.floor(value * (1 + slack))

/** Rounds up, forgiving a value a hair above a whole number. */
export const roundUp = (value: number): number => Math.ceil(value * (1 - slack))

/** A price to the cent: sums of prices leave hairs. */
export const toCents = (price: number): number => Math.round(price * 100) / 100

/** Whether `value` is at least `limit`, forgiving a hair. */
export const isAtLeast = (value: number, limit: number): boolean =>
  value >= limit - slack * Math.abs(limit)
