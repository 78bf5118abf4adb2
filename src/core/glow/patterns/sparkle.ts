import { eye, mul, random } from '../fixed'
import { colour, dim, noteEvents, placesOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'colour', name: 'Colour', kind: 'colour', usual: '#eaf4ff' },
  {
    id: 'share',
    name: 'Share of the pixels',
    kind: 'number',
    unit: 'share',
    isAmount: true,
    least: 0.01,
    most: 1,
    usual: 0.3,
  },
  { id: 'fade', name: 'Fades within', kind: 'number', unit: 's', least: 0.1, most: 30, usual: 1.5 },
  { id: 'start', name: 'At each', kind: 'input' },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

/** Events that still glow, at most. */
const kept = 3

export const sparkle: Pattern = {
  id: 'sparkle',
  name: 'Sparkle',
  about: 'A burst of sparks when something happens, then they fade.',
  parameters,
  memory: 2 + kept,
  frame: 3,
  tick(layer, ms, inputs) {
    noteEvents(layer, { at: 0, kept, input: at.start, ms }, inputs)
  },
  begin({ p, m, f }, ms) {
    const fade = p[at.fade] ?? 1
    for (let event = 0; event < kept; event += 1) {
      const age = ms + 1 - (m[2 + event] ?? 0)
      const isLit = (m[2 + event] ?? 0) !== 0 && age >= 0 && age < fade
      f[event] = isLit ? eye(65_535 - Math.floor((age * 65_535) / fade)) : 0
    }
  },
  pixel(layer, _u, _v, k, paint) {
    const { p, m, f, seed } = layer
    let level = 0
    for (let event = 0; event < kept; event += 1) {
      const strength = f[event] ?? 0
      if (strength > 0 && random(seed ^ (m[2 + event] ?? 0), k, event) <= (p[at.share] ?? 0))
        level = Math.max(level, mul(strength, 32_768 + (random(seed, k, 9) >>> 1)))
    }
    colour(layer, at.colour, paint)
    dim(paint, level)
  },
  c: {
    tick: `note_events(l, 0, ${String(kept)}, ${String(at.start)}, ms, in);`,
    begin: `int32_t fade = l->p[${String(at.fade)}], event;
  for (event = 0; event < ${String(kept)}; event++) {
    int64_t age = (int64_t)ms + 1 - l->m[2 + event];
    l->f[event] = l->m[2 + event] != 0 && age >= 0 && age < fade ? (int32_t)eye(FULL - (uint32_t)((uint64_t)age * FULL / (uint32_t)fade)) : 0;
  }`,
    pixel: `uint32_t level = 0, event;
  for (event = 0; event < ${String(kept)}u; event++) {
    uint32_t strength = (uint32_t)l->f[event], one;
    if (strength == 0u || random16(l->seed ^ (uint32_t)l->m[2u + event], k, event) > (uint32_t)l->p[${String(at.share)}]) continue;
    one = mul(strength, 32768u + (random16(l->seed, k, 9u) >> 1));
    if (one > level) level = one;
  }
  colour(l, ${String(at.colour)}, c); dim(c, level);`,
  },
}
