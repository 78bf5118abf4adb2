import { eye, mul, noise2 } from '../fixed'
import { colour, dim, placesOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'colour', name: 'Colour', kind: 'colour', usual: '1900 K' },
  {
    id: 'size',
    name: 'One flame is',
    kind: 'number',
    unit: 'mm',
    least: 5,
    most: 20_000,
    usual: 200,
  },
  {
    id: 'depth',
    name: 'Flickers by',
    kind: 'number',
    unit: 'share',
    least: 0,
    most: 1,
    usual: 0.4,
  },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const candle: Pattern = {
  id: 'candle',
  name: 'Candles',
  about: 'Each stretch is a candle of its own that flickers a little.',
  parameters,
  memory: 0,
  frame: 1,
  begin({ f }, ms) {
    f[0] = (ms * 120) % 0x8000_0000
  },
  pixel(layer, u, _v, _k, paint) {
    const { p, f, seed } = layer
    const one = Math.floor(u / (p[at.size] ?? 1))
    const down = noise2(seed, one * 131_072, f[0] ?? 0)
    colour(layer, at.colour, paint)
    dim(paint, eye(65_535 - mul(down, p[at.depth] ?? 0)))
  },
  c: {
    begin: `l->f[0] = (int32_t)((uint32_t)((uint64_t)ms * 120u) & 0x7fffffffu);`,
    pixel: `uint32_t one = (uint32_t)(u / l->p[${String(at.size)}]);
  colour(l, ${String(at.colour)}, c);
  dim(c, eye(FULL - mul(noise2(l->seed, one * 131072u, (uint32_t)l->f[0]), (uint32_t)l->p[${String(at.depth)}])));`,
  },
}
