import { working } from '../quantity/figure'
import { linearRegulator } from '../feed/linear-regulator'
import { above0, amperes, amperesAbove0 } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op } from './sum'
import { fixed } from '../quantity/format'

export const linearRegulatorSum = defineSum(
  'linear-regulator',
  'How hot a board’s regulator gets, and what it can pass.',
  z.strictObject({
    inputV: above0(60, 'V', 1e-6),
    outputV: above0(60, 'V', 1e-6),
    currentA: amperes,
    limitA: amperesAbove0,
    limitW: above0(100_000, 'W'),
  }),
  linearRegulator,
  {
    title: 'Heat of a regulator',
    asks: ['can I feed it from 9 V', 'does the board get hot', 'raw input'],
    start: { inputV: 9, outputV: 5, currentA: 0.25, limitA: 0.8, limitW: 1 },
    fields: {
      inputV: ['In', 'V'],
      outputV: ['Out', 'V'],
      currentA: ['Current', 'A'],
      limitA: ['It passes at most', 'A'],
      limitW: ['It stands', 'W'],
    },
    lines: ({ inputV, outputV, currentA, limitW }, { heatW, allowedA, efficiency }) => [
      line('it may pass', allowedA, 'A', {
        word: allowedA + 1e-9 >= currentA ? 'enough' : 'too little',
        note: `${fixed(limitW, 2)} W across ${fixed(inputV - outputV, 2)} V`,
      }),
      line('dissipates', heatW, 'W', {
        working: working`(${op('in', inputV, 'V')} − ${op('out', outputV, 'V')}) × ${op('current', currentA, 'A')}`,
      }),
      line('of its power arrives', efficiency, '%'),
    ],
  },
)
