import { eye, triangle } from '../fixed'
import { colour, dim, noteEvents, placesOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'colour', name: 'Colour', kind: 'colour', usual: '#50c8ff' },
  { id: 'speed', name: 'Speed', kind: 'number', unit: 'mm/s', least: 20, most: 5_000, usual: 500 },
  {
    id: 'width',
    name: 'Width of the ring',
    kind: 'number',
    unit: 'mm',
    least: 20,
    most: 3_000,
    usual: 250,
  },
  {
    id: 'along',
    name: 'From, along',
    kind: 'number',
    unit: 'share',
    least: 0,
    most: 1,
    usual: 0.5,
  },
  {
    id: 'across',
    name: 'From, across',
    kind: 'number',
    unit: 'share',
    least: 0,
    most: 1,
    usual: 0.5,
  },
  { id: 'start', name: 'At each', kind: 'input' },
  { id: 'every', name: 'And every', kind: 'number', unit: 's', least: 0, most: 600, usual: 3 },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

const kept = 4

/** A whole square root, rounded down, bit by bit: alike everywhere. */
function root(value: number): number {
  let [rest, result, bit] = [value, 0, 0x4000_0000]
  while (bit > rest) bit /= 4
  while (bit >= 1) {
    if (rest >= result + bit) {
      rest -= result + bit
      result = result / 2 + bit
    } else result /= 2
    bit = Math.floor(bit / 4)
  }
  return result
}

export const ripple: Pattern = {
  id: 'ripple',
  name: 'Ripple',
  about: 'Rings that spread from a place in the room, by the clock or when something happens.',
  parameters,
  memory: 2 + kept,
  frame: 7,
  tick(layer, ms, inputs) {
    noteEvents(layer, { at: 0, kept, input: at.start, ms }, inputs)
  },
  begin({ p, m, f, length, width }, ms) {
    f[0] = Math.floor((length * (p[at.along] ?? 0)) / 65_535)
    f[1] = Math.floor((width * (p[at.across] ?? 0)) / 65_535)
    const [speed, every] = [p[at.speed] ?? 0, p[at.every] ?? 0]
    const most = length + width + (p[at.width] ?? 0)
    const far = (age: number): number => Math.min(most, Math.floor((age * speed) / 1000))
    f[2] = every > 0 ? far(ms % every) : -1
    for (let event = 0; event < kept; event += 1) {
      const age = ms + 1 - (m[2 + event] ?? 0)
      f[3 + event] = (m[2 + event] ?? 0) !== 0 && age >= 0 ? far(age) : -1
    }
  },
  pixel(layer, u, v, _k, paint) {
    const { p, f } = layer
    const [x, y] = [
      Math.min(30_000, Math.abs(u - (f[0] ?? 0))),
      Math.min(30_000, Math.abs(v - (f[1] ?? 0))),
    ]
    const away = root(x * x + y * y)
    const ring = p[at.width] ?? 1
    let level = 0
    for (let one = 0; one <= kept; one += 1) {
      const front = f[2 + one] ?? -1
      const behind = front - away
      if (front < 0 || behind < 0 || behind >= ring) continue
      level = Math.max(level, eye(triangle(Math.floor((behind * 65_535) / ring))))
    }
    colour(layer, at.colour, paint)
    dim(paint, level)
  },
  c: {
    tick: `note_events(l, 0, ${String(kept)}, ${String(at.start)}, ms, in);`,
    begin: `int32_t most = l->length + l->width + l->p[${String(at.width)}], speed = l->p[${String(at.speed)}], event;
  uint32_t every = (uint32_t)l->p[${String(at.every)}];
  int64_t far = every > 0u ? (int64_t)(ms % every) * speed / 1000 : -1;
  l->f[0] = (int32_t)((int64_t)l->length * l->p[${String(at.along)}] / 65535);
  l->f[1] = (int32_t)((int64_t)l->width * l->p[${String(at.across)}] / 65535);
  l->f[2] = far > most ? most : (int32_t)far;
  for (event = 0; event < ${String(kept)}; event++) {
    int64_t age = (int64_t)ms + 1 - l->m[2 + event];
    far = l->m[2 + event] != 0 && age >= 0 ? age * speed / 1000 : -1;
    l->f[3 + event] = far > most ? most : (int32_t)far;
  }`,
    pixel: `int32_t x = u - l->f[0], y = v - l->f[1], ring = l->p[${String(at.width)}], one;
  uint32_t rest, away = 0, bit = 0x40000000u, level = 0;
  x = x < 0 ? -x : x; y = y < 0 ? -y : y;
  x = x > 30000 ? 30000 : x; y = y > 30000 ? 30000 : y;
  rest = (uint32_t)x * (uint32_t)x + (uint32_t)y * (uint32_t)y;
  while (bit > rest) bit >>= 2;
  while (bit != 0u) {
    if (rest >= away + bit) { rest -= away + bit; away = (away >> 1) + bit; } else away >>= 1;
    bit >>= 2;
  }
  for (one = 0; one <= ${String(kept)}; one++) {
    int32_t front = l->f[2 + one], behind = front - (int32_t)away;
    uint32_t here;
    if (front < 0 || behind < 0 || behind >= ring) continue;
    here = eye(triangle((uint32_t)behind * FULL / (uint32_t)ring));
    if (here > level) level = here;
  }
  colour(l, ${String(at.colour)}, c); dim(c, level);`,
  },
}
