import { dim, palette, placesOf, valueOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  {
    id: 'colours',
    name: 'From empty to full',
    kind: 'palette',
    usual: ['#1eb45a', '#ffc81e', '#ff3214'],
  },
  { id: 'value', name: 'Filled by', kind: 'input' },
  { id: 'least', name: 'At least', kind: 'number', unit: 'share', least: 0, most: 1, usual: 0 },
  {
    id: 'glide',
    name: 'Follows within',
    kind: 'number',
    unit: 's',
    least: 0.02,
    most: 30,
    usual: 0.4,
  },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const gauge: Pattern = {
  id: 'gauge',
  name: 'Gauge',
  about: 'Filled as far as an input says: a knob, a distance, how loud it is.',
  parameters,
  memory: 1,
  frame: 1,
  tick(layer, _ms, inputs) {
    const { p, m } = layer
    const wanted = Math.max(valueOf(layer, at.value, inputs), p[at.least] ?? 0)
    // Memory holds 256ths, so that a slow glide still moves.
    const rest = wanted * 256 - (m[0] ?? 0)
    const ticks = Math.max(1, Math.floor((p[at.glide] ?? 0) / 20))
    m[0] = (m[0] ?? 0) + Math.trunc(rest / ticks)
  },
  begin({ m, f, length }) {
    f[0] = Math.floor(((m[0] ?? 0) * (length * 16 + 16)) / 16_777_216)
  },
  pixel(layer, u, _v, _k, paint) {
    const { p, f, length } = layer
    const ahead = (f[0] ?? 0) - u * 16
    const count = p[at.colours] ?? 1
    palette(
      layer,
      at.colours,
      Math.floor((u * 65_535 * (count - 1)) / (Math.max(1, length) * count)),
      paint,
    )
    // The last 10 mm are soft: the end glides from pixel to pixel.
    dim(paint, ahead <= 0 ? 0 : ahead >= 160 ? 65_535 : Math.floor((ahead * 65_535) / 160))
  },
  c: {
    tick: `int32_t wanted = (int32_t)value_of(l, ${String(at.value)}, in), ticks = l->p[${String(at.glide)}] / 20;
  if (wanted < l->p[${String(at.least)}]) wanted = l->p[${String(at.least)}];
  l->m[0] += (wanted * 256 - l->m[0]) / (ticks < 1 ? 1 : ticks);`,
    begin: `l->f[0] = (int32_t)((uint64_t)(uint32_t)l->m[0] * (uint32_t)(l->length * 16 + 16) >> 24);`,
    pixel: `int32_t ahead = l->f[0] - u * 16, count = l->p[${String(at.colours)}], length = l->length < 1 ? 1 : l->length;
  palette(l, ${String(at.colours)}, (uint32_t)((uint64_t)(uint32_t)u * 65535u * (uint32_t)(count - 1) / ((uint64_t)(uint32_t)length * (uint32_t)count)), c);
  dim(c, ahead <= 0 ? 0u : ahead >= 160 ? FULL : (uint32_t)ahead * FULL / 160u);`,
  },
}
