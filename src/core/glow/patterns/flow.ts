import { travel, within } from '../fixed'
import { palette, placesOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  {
    id: 'colours',
    name: 'Colours',
    kind: 'palette',
    usual: ['#ff3c00', '#ffb400', '#1ec8a0', '#3c50ff', '#c828c8'],
  },
  {
    id: 'length',
    name: 'Length of all colours',
    kind: 'number',
    unit: 'mm',
    least: 20,
    most: 20_000,
    usual: 1_200,
  },
  {
    id: 'speed',
    name: 'Speed',
    kind: 'number',
    unit: 'mm/s',
    least: -3_000,
    most: 3_000,
    usual: 120,
  },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const flow: Pattern = {
  id: 'flow',
  name: 'Flow',
  about: 'Colours that run into each other, moving along.',
  parameters,
  memory: 0,
  frame: 2,
  begin({ p, f }, ms) {
    const length16 = (p[at.length] ?? 1) * 16
    f[0] = travel(ms, p[at.speed] ?? 0, length16)
    f[1] = Math.floor(0xffff_ffff / length16)
  },
  pixel(layer, u, _v, _k, paint) {
    const { p, f } = layer
    const place = within(u * 16 - (f[0] ?? 0), (p[at.length] ?? 1) * 16)
    palette(layer, at.colours, (place * (f[1] ?? 0)) >>> 16, paint)
  },
  c: {
    begin: `uint32_t length16 = (uint32_t)l->p[${String(at.length)}] * 16u;
  l->f[0] = (int32_t)travel(ms, l->p[${String(at.speed)}], length16);
  l->f[1] = (int32_t)(0xffffffffu / length16);`,
    pixel: `uint32_t place = (uint32_t)within(u * 16 - l->f[0], l->p[${String(at.length)}] * 16);
  palette(l, ${String(at.colours)}, place * (uint32_t)l->f[1] >> 16, c);`,
  },
}
