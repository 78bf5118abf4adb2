import { hash, phase, random, soft, triangle } from '../fixed'
import { dim, placesOf, swatch, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'colours', name: 'Colours', kind: 'palette', usual: ['#fff0d8', '#ffd090'] },
  {
    id: 'share',
    name: 'Lit at once',
    kind: 'number',
    unit: 'share',
    isAmount: true,
    least: 0.01,
    most: 1,
    usual: 0.25,
  },
  { id: 'period', name: 'A twinkle', kind: 'number', unit: 's', least: 0.4, most: 60, usual: 2 },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const twinkle: Pattern = {
  id: 'twinkle',
  name: 'Twinkle',
  about: 'Pixels that come and go, each by itself.',
  parameters,
  memory: 0,
  frame: 1,
  pixel(layer, _u, _v, k, paint) {
    const { p, f, seed } = layer
    const period = p[at.period] ?? 1
    // Each pixel lives in rounds of its own, a little longer or shorter than the others'.
    const own = period + Math.floor((period * (random(seed, k, 1) >>> 8)) / 512)
    const time = ((f[0] ?? 0) >>> 0) + (hash(seed, k, 2) % own)
    const round = Math.floor(time / own)
    if (random(seed, k, 3 + round) > (p[at.share] ?? 0)) {
      paint.r = paint.g = paint.b = paint.w = paint.a = 0
      return
    }
    swatch(layer, at.colours, hash(seed, round, k + 7) >>> 20, paint)
    dim(paint, soft(triangle(phase(time, own))))
  },
  begin({ f }, ms) {
    f[0] = ms % 0x4000_0000
  },
  c: {
    begin: `l->f[0] = (int32_t)(ms & 0x3fffffffu);`,
    pixel: `uint32_t period = (uint32_t)l->p[${String(at.period)}], own = period + period * (random16(l->seed, k, 1u) >> 8) / 512u;
  uint32_t time = (uint32_t)l->f[0] + hash(l->seed, k, 2u) % own, round = time / own;
  if (random16(l->seed, k, 3u + round) > (uint32_t)l->p[${String(at.share)}]) { c->r = c->g = c->b = c->w = c->a = 0; return; }
  swatch(l, ${String(at.colours)}, hash(l->seed, round, k + 7u) >> 20, c);
  dim(c, soft(triangle(phase(time, own))));`,
  },
}
