import { dim, placesOf, swatch, valueOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'colours', name: 'Colours', kind: 'palette', usual: ['#ff3c28', '#ffc83c', '#3ca0ff'] },
  { id: 'sound', name: 'Follows', kind: 'input' },
  { id: 'count', name: 'Bands', kind: 'number', unit: 'count', least: 1, most: 8, usual: 3 },
  {
    id: 'fall',
    name: 'Falls within',
    kind: 'number',
    unit: 's',
    least: 0.35,
    most: 10,
    usual: 0.8,
  },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const bands: Pattern = {
  id: 'bands',
  name: 'Level bands',
  about: 'Bars that rise with the sound and fall back; each band is slower than the one before.',
  parameters,
  memory: 8,
  frame: 1,
  tick(layer, _ms, inputs) {
    const { p, m } = layer
    const value = valueOf(layer, at.sound, inputs)
    const fall = Math.floor(655_350 / (p[at.fall] ?? 1))
    for (let band = 0; band < (p[at.count] ?? 1); band += 1) {
      const now = m[band] ?? 0
      // A quick rise for the first band, a slower one for each that follows.
      const rise = now + Math.floor((value - now) / (4 + 6 * band))
      m[band] = value > now ? rise : Math.max(value, now - fall, 0)
    }
  },
  begin({ p, f, length }) {
    f[0] = Math.max(1, Math.floor((length + 1) / (p[at.count] ?? 1)))
  },
  pixel(layer, u, _v, _k, paint) {
    const { p, m, f } = layer
    const size = f[0] ?? 1
    const band = Math.min((p[at.count] ?? 1) - 1, Math.floor(u / size))
    const height = Math.floor(((m[band] ?? 0) * size) / 65_535)
    const within = u - band * size
    swatch(layer, at.colours, band, paint)
    dim(paint, within < height ? 65_535 : within === 0 ? (m[band] ?? 0) : 0)
  },
  c: {
    tick: `int32_t value = (int32_t)value_of(l, ${String(at.sound)}, in), fall = 655350 / l->p[${String(at.fall)}], band;
  for (band = 0; band < l->p[${String(at.count)}]; band++) {
    int32_t now = l->m[band], down = now - fall;
    if (down < value) down = value;
    if (down < 0) down = 0;
    l->m[band] = value > now ? now + (value - now) / (4 + 6 * band) : down;
  }`,
    begin: `l->f[0] = (l->length + 1) / l->p[${String(at.count)}];
  if (l->f[0] < 1) l->f[0] = 1;`,
    pixel: `int32_t size = l->f[0], band = u / size, height, inside;
  if (band > l->p[${String(at.count)}] - 1) band = l->p[${String(at.count)}] - 1;
  height = (int32_t)((int64_t)l->m[band] * size / 65535);
  inside = u - band * size;
  swatch(l, ${String(at.colours)}, (uint32_t)band, c);
  dim(c, inside < height ? FULL : inside == 0 ? (uint32_t)l->m[band] : 0u);`,
  },
}
