import { placesOf, swatch, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'colours', name: 'Colours', kind: 'palette', usual: ['#ffb46b', '#2864ff'] },
  { id: 'length', name: 'Each is', kind: 'number', unit: 'mm', least: 5, most: 20_000, usual: 300 },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const blocks: Pattern = {
  id: 'blocks',
  name: 'Blocks',
  about: 'Stretches of one colour each, side by side, that stay.',
  parameters,
  memory: 0,
  frame: 0,
  pixel(layer, u, _v, _k, paint) {
    swatch(layer, at.colours, Math.floor(u / (layer.p[at.length] ?? 1)), paint)
  },
  c: {
    pixel: `swatch(l, ${String(at.colours)}, (uint32_t)(u / l->p[${String(at.length)}]), c);`,
  },
}
