import { colour, placesOf, type Parameter, type Pattern } from '../pattern'

const parameters = [
  { id: 'colour', name: 'Colour', kind: 'colour', usual: '2700 K' },
] as const satisfies readonly Parameter[]
const at = placesOf(parameters)

export const steady: Pattern = {
  id: 'steady',
  name: 'Steady',
  about: 'One colour that stays.',
  parameters,
  memory: 0,
  frame: 0,
  pixel: (layer, _u, _v, _k, paint) => {
    colour(layer, at.colour, paint)
  },
  c: { pixel: `colour(l, ${String(at.colour)}, c);` },
}
