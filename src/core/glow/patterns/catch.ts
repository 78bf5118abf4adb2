import { hash, triangle } from '../fixed'
import { colour, placesOf, valueOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'light', name: 'The light to catch', kind: 'colour', usual: '#ffe08c' },
  { id: 'hand', name: 'Your hand', kind: 'colour', usual: '#28a0ff' },
  { id: 'caught', name: 'Caught', kind: 'colour', usual: '#3cdc64' },
  { id: 'by', name: 'Moved by', kind: 'input' },
  { id: 'size', name: 'Size', kind: 'number', unit: 'mm', least: 10, most: 1_000, usual: 80 },
  { id: 'wait', name: 'It stays for', kind: 'number', unit: 's', least: 0.5, most: 60, usual: 4 },
  { id: 'hold', name: 'Caught after', kind: 'number', unit: 's', least: 0.1, most: 5, usual: 0.6 },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

/** Where the words of its memory are. */
const [round, since, held, score, hand, cheer] = [0, 1, 2, 3, 4, 5]

/** A light shows somewhere; hold your hand on it long enough before it moves on. Across the room it has a row of its own. */
export const catchLight: Pattern = {
  id: 'catch',
  name: 'Catch the light',
  about: 'A game: follow the light with a distance sensor or a knob, and hold it to catch it.',
  parameters,
  memory: 6,
  frame: 4,
  tick(layer, ms, inputs) {
    const { p, m, seed, length } = layer
    m[hand] = Math.floor((valueOf(layer, at.by, inputs) * length) / 65_535)
    const target = hash(seed, m[round] ?? 0, 1) % (length + 1)
    const isOn = Math.abs((m[hand] ?? 0) - target) <= (p[at.size] ?? 0)
    m[held] = isOn ? (m[held] ?? 0) + 10 : 0
    const isCaught = (m[held] ?? 0) >= (p[at.hold] ?? 0)
    if (isCaught) {
      m[score] = (m[score] ?? 0) + 1
      m[cheer] = ms + 1
    }
    if (isCaught || ms - (m[since] ?? 0) >= (p[at.wait] ?? 0)) {
      m[round] = (m[round] ?? 0) + 1
      m[since] = ms
      m[held] = 0
    }
  },
  begin({ p, m, f, seed, length, width }, ms) {
    f[0] = hash(seed, m[round] ?? 0, 1) % (length + 1)
    f[1] = hash(seed, m[round] ?? 0, 2) % (width + 1)
    const age = ms + 1 - (m[cheer] ?? 0)
    // One slow swell of the whole layer when it is caught.
    f[2] =
      (m[cheer] ?? 0) !== 0 && age >= 0 && age < 800
        ? triangle(Math.floor((age * 65_535) / 800)) >>> 2
        : 0
    f[3] = p[at.size] ?? 1
  },
  pixel(layer, u, v, _k, paint) {
    const { f, m, width } = layer
    const size = f[3] ?? 1
    const isRow = width <= size || Math.abs(v - (f[1] ?? 0)) <= size
    if (Math.abs(u - (f[0] ?? 0)) <= size && isRow) colour(layer, at.light, paint)
    else if (Math.abs(u - (m[hand] ?? 0)) <= size >> 1) colour(layer, at.hand, paint)
    else {
      colour(layer, at.caught, paint)
      const level = f[2] ?? 0
      paint.r = (paint.r * level) >>> 16
      paint.g = (paint.g * level) >>> 16
      paint.b = (paint.b * level) >>> 16
      paint.w = (paint.w * level) >>> 16
      paint.a = level
    }
  },
  c: {
    tick: `int32_t target = (int32_t)(hash(l->seed, (uint32_t)l->m[${String(round)}], 1u) % (uint32_t)(l->length + 1)), off, caught;
  l->m[${String(hand)}] = (int32_t)((uint64_t)value_of(l, ${String(at.by)}, in) * (uint32_t)l->length / 65535u);
  off = l->m[${String(hand)}] - target;
  l->m[${String(held)}] = (off < 0 ? -off : off) <= l->p[${String(at.size)}] ? l->m[${String(held)}] + 10 : 0;
  caught = l->m[${String(held)}] >= l->p[${String(at.hold)}];
  if (caught) { l->m[${String(score)}]++; l->m[${String(cheer)}] = (int32_t)(ms + 1u); }
  if (caught || (int32_t)ms - l->m[${String(since)}] >= l->p[${String(at.wait)}]) { l->m[${String(round)}]++; l->m[${String(since)}] = (int32_t)ms; l->m[${String(held)}] = 0; }`,
    begin: `int64_t age = (int64_t)ms + 1 - l->m[${String(cheer)}];
  l->f[0] = (int32_t)(hash(l->seed, (uint32_t)l->m[${String(round)}], 1u) % (uint32_t)(l->length + 1));
  l->f[1] = (int32_t)(hash(l->seed, (uint32_t)l->m[${String(round)}], 2u) % (uint32_t)(l->width + 1));
  l->f[2] = l->m[${String(cheer)}] != 0 && age >= 0 && age < 800 ? (int32_t)(triangle((uint32_t)(age * 65535 / 800)) >> 2) : 0;
  l->f[3] = l->p[${String(at.size)}];`,
    pixel: `int32_t size = l->f[3], x = u - l->f[0], y = v - l->f[1], h = u - l->m[${String(hand)}];
  uint32_t level = (uint32_t)l->f[2];
  x = x < 0 ? -x : x; y = y < 0 ? -y : y; h = h < 0 ? -h : h;
  if (x <= size && (l->width <= size || y <= size)) colour(l, ${String(at.light)}, c);
  else if (h <= size >> 1) colour(l, ${String(at.hand)}, c);
  else {
    colour(l, ${String(at.caught)}, c);
    c->r = c->r * level >> 16; c->g = c->g * level >> 16; c->b = c->b * level >> 16; c->w = c->w * level >> 16; c->a = level;
  }`,
  },
}
