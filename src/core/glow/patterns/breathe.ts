import { eye, mix, phase, soft, triangle } from '../fixed'
import { colour, dim, placesOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'colour', name: 'Colour', kind: 'colour', usual: '#ff9a4d' },
  { id: 'period', name: 'A breath', kind: 'number', unit: 's', least: 0.7, most: 120, usual: 5 },
  { id: 'low', name: 'Darkest', kind: 'number', unit: 'share', least: 0, most: 1, usual: 0.15 },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const breathe: Pattern = {
  id: 'breathe',
  name: 'Breathe',
  about: 'Up and down, softly, as the eye sees it.',
  parameters,
  memory: 0,
  frame: 1,
  begin({ p, f }, ms) {
    const height = soft(triangle(phase(ms, p[at.period] ?? 1)))
    f[0] = eye(mix(p[at.low] ?? 0, 65_535, height))
  },
  pixel: (layer, _u, _v, _k, paint) => {
    colour(layer, at.colour, paint)
    dim(paint, layer.f[0] ?? 0)
  },
  c: {
    begin: `l->f[0] = (int32_t)eye(mix((uint32_t)l->p[${String(at.low)}], 65535u, soft(triangle(phase(ms, (uint32_t)l->p[${String(at.period)}])))));`,
    pixel: `colour(l, ${String(at.colour)}, c); dim(c, (uint32_t)l->f[0]);`,
  },
}
