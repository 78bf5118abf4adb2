import { placesOf, swatch, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'colours', name: 'Colours', kind: 'palette', usual: ['#ffb060'] },
  {
    id: 'lit',
    name: 'Lit',
    kind: 'number',
    unit: 'count',
    least: 1,
    most: 200,
    usual: 2,
    isAmount: true,
  },
  {
    id: 'dark',
    name: 'Dark between',
    kind: 'number',
    unit: 'count',
    least: 0,
    most: 200,
    usual: 4,
  },
  { id: 'step', name: 'A step', kind: 'number', unit: 's', least: 0.02, most: 60, usual: 0.15 },
  {
    id: 'way',
    name: 'Way',
    kind: 'choice',
    options: ['forwards', 'backwards'],
    usual: 'forwards',
  },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const chase: Pattern = {
  id: 'chase',
  name: 'Chase',
  about: 'Groups of pixels that step along.',
  parameters,
  memory: 0,
  frame: 3,
  begin({ p, f }, ms) {
    const lit = p[at.lit] ?? 1
    const group = lit + (p[at.dark] ?? 0)
    const round = group * (p[at.colours] ?? 1)
    const step = Math.floor(ms / (p[at.step] ?? 1)) % round
    f[0] = (p[at.way] ?? 0) === 0 ? round - step : step
    f[1] = group
    f[2] = round
  },
  pixel(layer, _u, _v, k, paint) {
    const { p, f } = layer
    const place = (k + (f[0] ?? 0)) % (f[2] ?? 1)
    const group = f[1] ?? 1
    if (place % group < (p[at.lit] ?? 1))
      swatch(layer, at.colours, Math.floor(place / group), paint)
    else paint.r = paint.g = paint.b = paint.w = paint.a = 0
  },
  c: {
    begin: `int32_t group = l->p[${String(at.lit)}] + l->p[${String(at.dark)}], round = group * l->p[${String(at.colours)}];
  int32_t step = (int32_t)(ms / (uint32_t)l->p[${String(at.step)}] % (uint32_t)round);
  l->f[0] = l->p[${String(at.way)}] == 0 ? round - step : step; l->f[1] = group; l->f[2] = round;`,
    pixel: `uint32_t place = (k + (uint32_t)l->f[0]) % (uint32_t)l->f[2], group = (uint32_t)l->f[1];
  if (place % group < (uint32_t)l->p[${String(at.lit)}]) swatch(l, ${String(at.colours)}, place / group, c);
  else c->r = c->g = c->b = c->w = c->a = 0;`,
  },
}
