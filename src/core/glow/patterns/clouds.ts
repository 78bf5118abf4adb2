import { noise2 } from '../fixed'
import { palette, placesOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  {
    id: 'colours',
    name: 'Colours',
    kind: 'palette',
    usual: ['#06281c', '#0fa06e', '#3c3cc8', '#781e96'],
  },
  { id: 'size', name: 'Size', kind: 'number', unit: 'mm', least: 20, most: 20_000, usual: 600 },
  {
    id: 'time',
    name: 'A change takes',
    kind: 'number',
    unit: 's',
    least: 0.8,
    most: 300,
    usual: 8,
  },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const clouds: Pattern = {
  id: 'clouds',
  name: 'Clouds',
  about: 'Colours that drift and change slowly, nowhere twice the same.',
  parameters,
  memory: 0,
  frame: 2,
  begin({ p, f }, ms) {
    f[0] = Math.floor((ms * 65_536) / (p[at.time] ?? 1)) % 0x8000_0000
    f[1] = Math.floor(1_048_576 / (p[at.size] ?? 1))
  },
  pixel(layer, u, v, _k, paint) {
    const { f, seed } = layer
    const place = Math.floor((u * (f[1] ?? 0)) / 16) + v * 41
    palette(layer, at.colours, noise2(seed, place, f[0] ?? 0), paint)
  },
  c: {
    begin: `l->f[0] = (int32_t)((uint32_t)((((uint64_t)ms) << 16) / (uint32_t)l->p[${String(at.time)}]) & 0x7fffffffu);
  l->f[1] = 1048576 / l->p[${String(at.size)}];`,
    pixel: `uint32_t place = (uint32_t)((uint64_t)(uint32_t)u * (uint32_t)l->f[1] / 16u) + (uint32_t)v * 41u;
  palette(l, ${String(at.colours)}, noise2(l->seed, place, (uint32_t)l->f[0]), c);`,
  },
}
