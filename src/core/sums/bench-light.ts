import { benchLight } from '../glow/bench-light'
import { lengthM, upTo } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line } from './sum'

export const benchLightSum = defineSum(
  'bench-light',
  'How bright a surface is under a line of light.',
  z.strictObject({
    lumensPerM: upTo(100_000, 'lm/m'),
    lengthM,
    heightM: lengthM,
    offsetM: z
      .number()
      .min(-1_000, 'at least −1\u202f000 m')
      .max(1_000, 'at most 1\u202f000 m')
      .default(0),
  }),
  benchLight,
  {
    title: 'Light on a surface',
    asks: ['how bright is it', 'lux on a worktop', 'enough light to read'],
    start: { lumensPerM: 800, lengthM: 1.2, heightM: 0.5, offsetM: 0 },
    fields: {
      lumensPerM: ['Strip', 'lm/m'],
      lengthM: ['Length', 'm'],
      heightM: ['Height above it', 'm'],
      offsetM: ['From its middle', 'm'],
    },
    lines: (_, { lux }) => [
      line('on the surface', lux, 'lx', {
        note: lux < 100 ? 'a glow' : lux < 300 ? 'to find things by' : 'to work by',
      }),
    ],
  },
)
