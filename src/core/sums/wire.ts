import { working } from '../quantity/figure'
import { areaOfAwg, ohmPerMetre } from '../parts/copper'
import { wires } from '../parts/wires'
import { above0, amperes, lengthM } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op } from './sum'

export const wireSum = defineSum(
  'wire',
  'What a pair of wires loses on the way.',
  z
    .strictObject({
      lengthM,
      currentA: amperes,
      tempC: z.number().min(-60).max(200).default(20),
      mm2: above0(10_000, 'mm²', 1e-6).optional(),
      awg: z.number().min(-3).max(50).optional(),
    })
    .refine(({ mm2, awg }) => (mm2 === undefined) !== (awg === undefined), {
      path: ['mm2'],
      message: 'the wire’s mm2 or its awg, one of the two',
    }),
  ({ lengthM, currentA, tempC, mm2, awg }) => {
    const areaMm2 = mm2 ?? areaOfAwg(awg ?? 0)
    const ohmPerM = ohmPerMetre(areaMm2, tempC)
    // Both wires count: there and back.
    const dropV = 2 * lengthM * ohmPerM * currentA
    return { areaMm2, ohmPerM, dropV, lossW: dropV * currentA }
  },
  {
    title: 'Loss in a wire',
    asks: ['which wire gauge', 'voltage drop', 'how thick a wire', 'AWG to mm²'],
    start: { lengthM: 2.5, currentA: 4, tempC: 20, mm2: 0.75 },
    fields: {
      lengthM: ['Length, one way', 'm'],
      currentA: ['Current', 'A'],
      tempC: ['Temperature, °C', ''],
      mm2: ['Gauge', 'mm²'],
      awg: ['or AWG', ''],
    },
    lines: ({ lengthM, currentA }, { areaMm2, ohmPerM, dropV, lossW }) => [
      line('lost on the way', dropV, 'V', {
        working: working`2 × ${op('length', lengthM, 'm')} × ${op('copper', ohmPerM, 'Ω/m')} × ${op('current', currentA, 'A')}`,
      }),
      line('as warmth', lossW, 'W', {
        working: working`${op('lost', dropV, 'V')} × ${op('current', currentA, 'A')}`,
      }),
      line('gauge', areaMm2, 'mm²'),
    ],
    into: (_, { areaMm2 }) => {
      const found = wires.find((wire) => Math.abs(wire.areaMm2 / areaMm2 - 1) < 0.005)
      return found === undefined
        ? undefined
        : {
            label: `${found.name} as its usual wire`,
            commands: () => [{ do: 'set-default-wire', wire: found.id }],
          }
    },
  },
)
