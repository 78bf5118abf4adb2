import { eye } from '../fixed'
import { dim, palette, placesOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  {
    id: 'colours',
    name: 'From dark to day',
    kind: 'palette',
    usual: ['#300400', '1700 K', '2200 K', '3000 K', '4500 K'],
  },
  { id: 'time', name: 'It takes', kind: 'number', unit: 's', least: 1, most: 7_200, usual: 900 },
  { id: 'way', name: 'Way', kind: 'choice', options: ['rises', 'sets'], usual: 'rises' },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const sunrise: Pattern = {
  id: 'sunrise',
  name: 'Sunrise',
  about: 'From a red glow to daylight over minutes, or back.',
  parameters,
  memory: 0,
  frame: 1,
  begin({ p, f }, ms) {
    const time = p[at.time] ?? 1
    const risen = Math.floor((Math.min(ms, time) * 65_535) / time)
    f[0] = (p[at.way] ?? 0) === 0 ? risen : 65_535 - risen
  },
  pixel(layer, _u, _v, _k, paint) {
    const risen = layer.f[0] ?? 0
    const count = layer.p[at.colours] ?? 1
    palette(layer, at.colours, Math.floor((risen * (count - 1)) / count), paint)
    dim(paint, eye(risen))
  },
  c: {
    begin: `uint32_t time = (uint32_t)l->p[${String(at.time)}], risen = (uint32_t)((uint64_t)(ms < time ? ms : time) * 65535u / time);
  l->f[0] = (int32_t)(l->p[${String(at.way)}] == 0 ? risen : 65535u - risen);`,
    pixel: `uint32_t risen = (uint32_t)l->f[0], count = (uint32_t)l->p[${String(at.colours)}];
  palette(l, ${String(at.colours)}, risen * (count - 1u) / count, c); dim(c, eye(risen));`,
  },
}
