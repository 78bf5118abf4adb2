import { mul, noise2 } from '../fixed'
import { dim, palette, placesOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  {
    id: 'colours',
    name: 'From ember to tip',
    kind: 'palette',
    usual: ['#2a0200', '#8c1600', '#e04800', '#ff8c1e', '#ffd27a'],
  },
  {
    id: 'height',
    name: 'Height of a flame',
    kind: 'number',
    unit: 'mm',
    least: 10,
    most: 3_000,
    usual: 180,
  },
  {
    id: 'speed',
    name: 'Liveliness',
    kind: 'number',
    unit: 'share',
    least: 0.02,
    most: 1,
    usual: 0.4,
  },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const fire: Pattern = {
  id: 'fire',
  name: 'Fire',
  about: 'Flames that lick along: soft noise in place and time.',
  parameters,
  memory: 0,
  frame: 2,
  begin({ p, f }, ms) {
    // At full liveliness four rounds of noise a second: below what flashes.
    const rate = mul(p[at.speed] ?? 0, 262)
    f[0] = (ms * rate) % 0x8000_0000
    f[1] = Math.floor(65_536 / (p[at.height] ?? 1))
  },
  pixel(layer, u, v, _k, paint) {
    const { f, seed } = layer
    const [time, cell] = [f[0] ?? 0, f[1] ?? 1]
    const slow = noise2(seed, u * cell + v * 977, time)
    const quick = noise2(seed ^ 0x5bd1, u * cell * 3 + v * 331, time * 2)
    const heat = mul(slow, 43_690) + mul(quick, 21_845)
    // Hot is the last colour: the palette must not run on into the first.
    const count = layer.p[at.colours] ?? 1
    palette(layer, at.colours, Math.floor((heat * (count - 1)) / count), paint)
    dim(paint, 16_384 + mul(heat, 49_151))
  },
  c: {
    begin: `l->f[0] = (int32_t)((uint32_t)((uint64_t)ms * mul((uint32_t)l->p[${String(at.speed)}], 262u)) & 0x7fffffffu);
  l->f[1] = 65536 / l->p[${String(at.height)}];`,
    pixel: `uint32_t time = (uint32_t)l->f[0], cell = (uint32_t)l->f[1], count = (uint32_t)l->p[${String(at.colours)}];
  uint32_t slow = noise2(l->seed, (uint32_t)u * cell + (uint32_t)v * 977u, time);
  uint32_t quick = noise2(l->seed ^ 0x5bd1u, (uint32_t)u * cell * 3u + (uint32_t)v * 331u, time * 2u);
  uint32_t heat = mul(slow, 43690u) + mul(quick, 21845u);
  palette(l, ${String(at.colours)}, heat * (count - 1u) / count, c);
  dim(c, 16384u + mul(heat, 49151u));`,
  },
}
