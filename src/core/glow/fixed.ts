// Whole-number arithmetic that the preview and the board's C share: every function here has its twin in `fixedC`, and both give the same
// bits. Light and shares are 0 to 65535 (1 = 65535), places are mm, times are ms.

/** Everything on: 1 in 16 bits. */
export const full = 65_535

/** a × b of two shares. */
export const mul = (a: number, b: number): number => (a * b + full) >>> 16

/** From `a` to `b` by `share`. */
export const mix = (a: number, b: number, share: number): number =>
  (a * (65_536 - share) + b * share) >>> 16

/** How far a time is into its period, as a share. */
export const phase = (ms: number, periodMs: number): number =>
  Math.floor(((ms % periodMs) * 65_536) / periodMs)

/** What is travelled at a speed, in sixteenths of a mm, within a length that starts over: 0 to `length16` - 1; backwards where negative. */
export function travel(ms: number, mmPerS: number, length16: number): number {
  const far = Math.floor((ms * Math.abs(mmPerS) * 2) / 125) % length16
  return mmPerS < 0 && far > 0 ? length16 - far : far
}

/** A place within a length that starts over: the rest is never negative. */
export function within(place: number, length: number): number {
  const rest = place % length
  return rest < 0 ? rest + length : rest
}

/** Up and down once: 0 at 0, 1 half way. */
export const triangle = (share: number): number => {
  const half = share < 32_768 ? share * 2 : (full - share) * 2
  return half > full ? full : half
}

/** A soft start and end: 3x² - 2x³. */
export const soft = (share: number): number => {
  const square = mul(share, share)
  return Math.min(full, square + 2 * mul(square, full - share))
}

/** A number from three, as if by chance: the same everywhere (a finalizer of shifts and odd factors). */
export function hash(seed: number, a: number, b: number): number {
  let h = Math.imul(seed ^ Math.imul(a, 0x9e3779b1) ^ Math.imul(b, 0x85ebca6b), 0xc2b2ae35) >>> 0
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d) >>> 0
  h = Math.imul(h ^ (h >>> 12), 0x297a2d39) >>> 0
  return (h ^ (h >>> 15)) >>> 0
}

/** … as a share. */
export const random = (seed: number, a: number, b: number): number => hash(seed, a, b) >>> 16

/** Chance that changes smoothly along a line: `place` in 65536ths of a cell, below 2^32. */
const noise = (seed: number, place: number, row: number): number =>
  mix(random(seed, place >>> 16, row), random(seed, (place >>> 16) + 1, row), soft(place & full))

/** … and in time, from row to row. */
export const noise2 = (seed: number, place: number, time: number): number =>
  mix(noise(seed, place, time >>> 16), noise(seed, place, (time >>> 16) + 1), soft(time & full))

/** Power 2.2 at 33 places: what looks half as bright is about a fifth of the light (handbook 12). */
const eyeTable: readonly number[] = Array.from({ length: 33 }, (_, at) =>
  Math.round(full * (at / 32) ** 2.2),
)

/** Perceived light to linear light, straight between the places of the table. */
export const eye = (perceived: number): number => {
  const at = perceived >>> 11
  return mix(eyeTable[at] ?? 0, eyeTable[at + 1] ?? full, (perceived & 2047) * 32)
}

/** The same in C99. */
export const fixedC = `#define FULL 65535u
static const uint16_t eye_table[33] = {${eyeTable.join(', ')}};
static uint32_t mul(uint32_t a, uint32_t b) { return (a * b + FULL) >> 16; }
static uint32_t mix(uint32_t a, uint32_t b, uint32_t share) { return (a * (65536u - share) + b * share) >> 16; }
static uint32_t phase(uint32_t ms, uint32_t period) { return (uint32_t)(((uint64_t)(ms % period) << 16) / period); }
static uint32_t travel(uint32_t ms, int32_t speed, uint32_t length16) {
  uint32_t far = (uint32_t)(((uint64_t)ms * (uint32_t)(speed < 0 ? -speed : speed) * 2u / 125u) % length16);
  return speed < 0 && far > 0 ? length16 - far : far;
}
static int32_t within(int32_t place, int32_t length) {
  int32_t rest = place % length;
  return rest < 0 ? rest + length : rest;
}
static uint32_t triangle(uint32_t share) {
  uint32_t half = share < 32768u ? share * 2u : (FULL - share) * 2u;
  return half > FULL ? FULL : half;
}
static uint32_t soft(uint32_t share) {
  uint32_t square = mul(share, share), sum = square + 2u * mul(square, FULL - share);
  return sum > FULL ? FULL : sum;
}
static uint32_t hash(uint32_t seed, uint32_t a, uint32_t b) {
  uint32_t h = (seed ^ a * 0x9e3779b1u ^ b * 0x85ebca6bu) * 0xc2b2ae35u;
  h = (h ^ h >> 15) * 0x2c1b3c6du;
  h = (h ^ h >> 12) * 0x297a2d39u;
  return h ^ h >> 15;
}
static uint32_t random16(uint32_t seed, uint32_t a, uint32_t b) { return hash(seed, a, b) >> 16; }
static uint32_t noise(uint32_t seed, uint32_t place, uint32_t row) {
  return mix(random16(seed, place >> 16, row), random16(seed, (place >> 16) + 1u, row), soft(place & FULL));
}
static uint32_t noise2(uint32_t seed, uint32_t place, uint32_t time) {
  return mix(noise(seed, place, time >> 16), noise(seed, place, (time >> 16) + 1u), soft(time & FULL));
}
static uint32_t eye(uint32_t perceived) {
  uint32_t at = perceived >> 11;
  return mix(eye_table[at], eye_table[at + 1u], (perceived & 2047u) * 32u);
}
`
