import { mul, random, travel, within } from '../fixed'
import { colour, dim, noteEvents, placesOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'colour', name: 'Colour', kind: 'colour', usual: '#7fd0ff' },
  {
    id: 'count',
    name: 'How many',
    kind: 'number',
    unit: 'count',
    least: 0,
    most: 12,
    usual: 3,
    isAmount: true,
  },
  {
    id: 'speed',
    name: 'Speed',
    kind: 'number',
    unit: 'mm/s',
    least: -5_000,
    most: 5_000,
    usual: 700,
  },
  { id: 'tail', name: 'Tail', kind: 'number', unit: 'mm', least: 10, most: 4_000, usual: 350 },
  { id: 'start', name: 'One more at each', kind: 'input' },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

/** Comets that events started and that still fly, at most. */
const kept = 6

export const comets: Pattern = {
  id: 'comets',
  name: 'Comets',
  about: 'Bright heads with a tail; where two cross, they add. A sensor can send more.',
  parameters,
  memory: 2 + kept,
  frame: 18,
  tick(layer, ms, inputs) {
    noteEvents(layer, { at: 0, kept, input: at.start, ms }, inputs)
  },
  begin({ p, f, m, seed, length }, ms) {
    const speed = p[at.speed] ?? 0
    const tail = p[at.tail] ?? 1
    // All of them have left before one comes in again.
    const round16 = (length + tail) * 16
    const count = p[at.count] ?? 0
    const far = travel(ms, speed, round16)
    for (let one = 0; one < count; one += 1) {
      const from = Math.floor(((one * 65_536 + random(seed, one, 0)) * round16) / (count * 65_536))
      f[one] = (far + from) % round16
    }
    for (let event = 0; event < kept; event += 1) {
      const age = ms + 1 - (m[2 + event] ?? 0)
      const gone = Math.floor((age * Math.abs(speed) * 2) / 125)
      const flies = (m[2 + event] ?? 0) !== 0 && age >= 0 && gone < round16
      f[count + event] = flies ? (speed < 0 ? round16 - 1 - gone : gone) : -1
    }
  },
  pixel(layer, u, _v, _k, paint) {
    const { p, f, length } = layer
    const tail16 = (p[at.tail] ?? 1) * 16
    const round16 = length * 16 + tail16
    const backwards = (p[at.speed] ?? 0) < 0
    let level = 0
    const all = (p[at.count] ?? 0) + kept
    for (let one = 0; one < all; one += 1) {
      const head = f[one] ?? -1
      if (head < 0) continue
      const behind = within(backwards ? u * 16 - head : head - u * 16, round16)
      if (behind >= tail16) continue
      const near = 65_535 - Math.floor((behind * 65_535) / tail16)
      level = Math.min(65_535, level + mul(near, near))
    }
    colour(layer, at.colour, paint)
    dim(paint, level)
  },
  c: {
    tick: `note_events(l, 0, ${String(kept)}, ${String(at.start)}, ms, in);`,
    begin: `int32_t speed = l->p[${String(at.speed)}], count = l->p[${String(at.count)}], one, event;
  uint32_t round16 = (uint32_t)(l->length + l->p[${String(at.tail)}]) * 16u, far = travel(ms, speed, round16);
  for (one = 0; one < count; one++)
    l->f[one] = (int32_t)((far + (uint32_t)(((uint64_t)((uint32_t)one << 16) + random16(l->seed, (uint32_t)one, 0u)) * round16 / ((uint64_t)count << 16))) % round16);
  for (event = 0; event < ${String(kept)}; event++) {
    int64_t age = (int64_t)ms + 1 - l->m[2 + event];
    int64_t gone = age * (speed < 0 ? -speed : speed) * 2 / 125;
    int flies = l->m[2 + event] != 0 && age >= 0 && gone < (int64_t)round16;
    l->f[count + event] = flies ? (int32_t)(speed < 0 ? (int64_t)round16 - 1 - gone : gone) : -1;
  }`,
    pixel: `int32_t tail16 = l->p[${String(at.tail)}] * 16, round16 = l->length * 16 + tail16, one, all = l->p[${String(at.count)}] + ${String(kept)};
  uint32_t level = 0;
  for (one = 0; one < all; one++) {
    int32_t head = l->f[one], behind;
    uint32_t near;
    if (head < 0) continue;
    behind = within(l->p[${String(at.speed)}] < 0 ? u * 16 - head : head - u * 16, round16);
    if (behind >= tail16) continue;
    near = FULL - (uint32_t)behind * FULL / (uint32_t)tail16;
    level += mul(near, near);
    if (level > FULL) level = FULL;
  }
  colour(l, ${String(at.colour)}, c); dim(c, level);`,
  },
}
