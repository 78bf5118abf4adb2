import { full, mix, mul } from './fixed'

/** What a person can set of a pattern. Lengths are mm, times s, shares 0 to 1 unless it says otherwise. */
export type Parameter = { readonly id: string; readonly name: string } & (
  | {
      readonly kind: 'number'
      readonly unit: 'mm' | 'mm/s' | 's' | 'share' | 'count'
      readonly least: number
      readonly most: number
      readonly usual: number
      /** It says how much of the pattern is lit at once. */
      readonly isAmount?: true
    }
  | { readonly kind: 'colour'; readonly usual: string }
  | { readonly kind: 'palette'; readonly usual: readonly string[] }
  | { readonly kind: 'choice'; readonly options: readonly string[]; readonly usual: string }
  /** Something that the board listens to. */
  | { readonly kind: 'input' }
)

export type NumberParameter = Extract<Parameter, { kind: 'number' }>

/** What a pattern paints with: whole numbers, worked out once. */
export interface Layer {
  /** Its parameters: at the places that `placesOf` gives. */
  readonly p: Int32Array
  /** What it remembers from tick to tick: `memory` words, 0 when its scene starts. */
  readonly m: Int32Array
  /** What is worked out once a frame. */
  readonly f: Int32Array
  readonly seed: number
  /** Along its axis and across it, mm. */
  readonly length: number
  readonly width: number
  readonly count: number
}

/** Light of one pixel, with how much of what is below it covers. */
export interface Paint {
  r: number
  g: number
  b: number
  w: number
  a: number
}

/** Ticks are so far apart, ms: memory changes at them alone, however often frames are drawn. */
export const tickMs = 10

/** An input counts as on from half of its range; values are 0 to 65535. */
export const onFrom = 32_768

/** A remote says the number of the key that is held, times this, and 0 while none is. */
export const keyStep = 6_000

export interface Pattern {
  readonly id: string
  readonly name: string
  readonly about: string
  readonly parameters: readonly Parameter[]
  readonly memory: number
  /** Words that it works out once a frame. */
  readonly frame: number
  /** A step from memory to memory: at so many ms of its scene. */
  readonly tick?: (layer: Layer, ms: number, inputs: ArrayLike<number>) => void
  /** Before the pixels of a frame. */
  readonly begin?: (layer: Layer, ms: number) => void
  /** One pixel: its place along and across in mm, and its number in the layer. */
  readonly pixel: (layer: Layer, u: number, v: number, k: number, paint: Paint) => void
  /** The bodies of the same three functions in C99, with `l`, `ms`, `in`, `u`, `v`, `k` and `c`. */
  readonly c: { readonly tick?: string; readonly begin?: string; readonly pixel: string }
}

/** Colours of a palette, at most. */
export const mostColours = 8

/** Words that a parameter takes. */
const wordsOf = ({ kind }: Parameter): number =>
  kind === 'colour' ? 4 : kind === 'palette' ? 1 + 4 * mostColours : 1

/** Where each parameter begins among the words of a layer. */
export function placesOf<Id extends string>(
  parameters: readonly (Parameter & { readonly id: Id })[],
): Readonly<Record<Id, number>> {
  const places = {} as Record<Id, number>
  let next = 0
  for (const parameter of parameters) {
    places[parameter.id] = next
    next += wordsOf(parameter)
  }
  return places
}

export const sizeOf = (parameters: readonly Parameter[]): number =>
  parameters.reduce((sum, parameter) => sum + wordsOf(parameter), 0)

/** Paints the colour that begins at a place of the parameters. */
export function colour({ p }: Layer, at: number, paint: Paint): void {
  paint.r = p[at] ?? 0
  paint.g = p[at + 1] ?? 0
  paint.b = p[at + 2] ?? 0
  paint.w = p[at + 3] ?? 0
  paint.a = full
}

/** Paints the colour of a palette at a share of it; the last runs into the first. */
export function palette({ p }: Layer, at: number, where: number, paint: Paint): void {
  const count = p[at] ?? 1
  const place = where * count
  const first = at + 1 + 4 * (place >>> 16)
  const second = at + 1 + 4 * (((place >>> 16) + 1) % count)
  const part = place & full
  paint.r = mix(p[first] ?? 0, p[second] ?? 0, part)
  paint.g = mix(p[first + 1] ?? 0, p[second + 1] ?? 0, part)
  paint.b = mix(p[first + 2] ?? 0, p[second + 2] ?? 0, part)
  paint.w = mix(p[first + 3] ?? 0, p[second + 3] ?? 0, part)
  paint.a = full
}

/** One whole colour of a palette by its number. */
export const swatch = (layer: Layer, at: number, number: number, paint: Paint): void => {
  colour(layer, at + 1 + 4 * (number % (layer.p[at] ?? 1)), paint)
}

/** Dims what was painted, and covers as much less. */
export function dim(paint: Paint, level: number): void {
  paint.r = mul(paint.r, level)
  paint.g = mul(paint.g, level)
  paint.b = mul(paint.b, level)
  paint.w = mul(paint.w, level)
  paint.a = mul(paint.a, level)
}

/** Whether an input, by its number in `p`, is on; without one it is off. */
const isOn = ({ p }: Layer, at: number, inputs: ArrayLike<number>): boolean =>
  (inputs[p[at] ?? -1] ?? 0) >= onFrom

/** What an input says, 0 to 65535. */
export const valueOf = ({ p }: Layer, at: number, inputs: ArrayLike<number>): number =>
  inputs[p[at] ?? -1] ?? 0

/**
 * Notes when an input goes on, in memory from `at`: 0 whether it is on, 1 how often it went on, then the times of the last `kept` of them
 * as ms + 1 in a ring.
 */
export function noteEvents(
  layer: Layer,
  { at, kept, input, ms }: { at: number; kept: number; input: number; ms: number },
  inputs: ArrayLike<number>,
): void {
  const { m } = layer
  const on = isOn(layer, input, inputs) ? 1 : 0
  if (on === 1 && m[at] === 0) {
    m[at + 2 + ((m[at + 1] ?? 0) % kept)] = ms + 1
    m[at + 1] = (m[at + 1] ?? 0) + 1
  }
  m[at] = on
}

/** The same in C99. */
export const patternC = `typedef struct { uint32_t r, g, b, w, a; } paint;
typedef struct {
  const int32_t *p;
  int32_t *m, *f;
  uint32_t seed;
  int32_t length, width;
  uint32_t count;
} layer;
static void colour(const layer *l, int at, paint *c) {
  c->r = (uint32_t)l->p[at]; c->g = (uint32_t)l->p[at + 1]; c->b = (uint32_t)l->p[at + 2]; c->w = (uint32_t)l->p[at + 3]; c->a = FULL;
}
static void palette(const layer *l, int at, uint32_t where, paint *c) {
  uint32_t count = (uint32_t)l->p[at], place = where * count, part = place & FULL;
  const int32_t *x = l->p + at + 1 + 4u * (place >> 16), *y = l->p + at + 1 + 4u * (((place >> 16) + 1u) % count);
  c->r = mix((uint32_t)x[0], (uint32_t)y[0], part); c->g = mix((uint32_t)x[1], (uint32_t)y[1], part);
  c->b = mix((uint32_t)x[2], (uint32_t)y[2], part); c->w = mix((uint32_t)x[3], (uint32_t)y[3], part); c->a = FULL;
}
static void swatch(const layer *l, int at, uint32_t number, paint *c) { colour(l, at + 1 + 4 * (int)(number % (uint32_t)l->p[at]), c); }
static void dim(paint *c, uint32_t level) {
  c->r = mul(c->r, level); c->g = mul(c->g, level); c->b = mul(c->b, level); c->w = mul(c->w, level); c->a = mul(c->a, level);
}
static uint32_t value_of(const layer *l, int at, const uint16_t *in) { return l->p[at] < 0 || in == 0 ? 0u : in[l->p[at]]; }
static int is_on(const layer *l, int at, const uint16_t *in) { return value_of(l, at, in) >= ${String(onFrom)}u; }
static void note_events(const layer *l, int at, int kept, int input, uint32_t ms, const uint16_t *in) {
  int on = is_on(l, input, in);
  if (on && l->m[at] == 0) {
    l->m[at + 2 + l->m[at + 1] % kept] = (int32_t)(ms + 1u);
    l->m[at + 1]++;
  }
  l->m[at] = on;
}
`
