import { colour, dim, placesOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'colour', name: 'Colour', kind: 'colour', usual: '#ffa000' },
  { id: 'count', name: 'Blinks', kind: 'number', unit: 'count', least: 1, most: 12, usual: 2 },
  // No faster than two a second: a code can be counted, and stays far below what flashes (handbook 12).
  { id: 'each', name: 'A blink', kind: 'number', unit: 's', least: 0.5, most: 10, usual: 0.6 },
  { id: 'pause', name: 'Pause', kind: 'number', unit: 's', least: 0, most: 600, usual: 2 },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const blink: Pattern = {
  id: 'blink',
  name: 'Blink code',
  about: 'So many blinks and a pause, slow enough to count.',
  parameters,
  memory: 0,
  frame: 1,
  begin({ p, f }, ms) {
    const each = p[at.each] ?? 1
    const blinks = each * (p[at.count] ?? 1)
    const gone = ms % (blinks + (p[at.pause] ?? 0))
    f[0] = gone < blinks && gone % each < each >> 1 ? 65_535 : 0
  },
  pixel: (layer, _u, _v, _k, paint) => {
    colour(layer, at.colour, paint)
    dim(paint, layer.f[0] ?? 0)
  },
  c: {
    begin: `uint32_t each = (uint32_t)l->p[${String(at.each)}], blinks = each * (uint32_t)l->p[${String(at.count)}], gone = ms % (blinks + (uint32_t)l->p[${String(at.pause)}]);
  l->f[0] = gone < blinks && gone % each < each >> 1 ? 65535 : 0;`,
    pixel: `colour(l, ${String(at.colour)}, c); dim(c, (uint32_t)l->f[0]);`,
  },
}
