import { batteryLife } from '../feed/battery'
import { chemistryNames } from '../parts/chemistries'
import { above0, amperesAbove0 } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line } from './sum'
import { fixed } from '../quantity/format'

export const batterySum = defineSum(
  'battery',
  'How long a battery lasts.',
  z.strictObject({
    chemistry: z.enum(chemistryNames),
    ah: above0(1_000, 'Ah', 1e-6).optional(),
    inSeries: z.int().min(1).max(40).default(1),
    inParallel: z.int().min(1).max(100).default(1),
    load: z.union([
      z.strictObject({ currentA: amperesAbove0 }),
      z.strictObject({
        powerW: above0(100_000, 'W'),
        efficiency: above0(1, '', 1e-6).default(0.85),
      }),
    ]),
    cutoffV: z.number().nonnegative().max(60),
  }),
  batteryLife,
  {
    title: 'Battery life',
    asks: ['how long will it last', 'how many hours on batteries', 'which batteries'],
    start: {
      chemistry: 'alkaline-aa',
      inSeries: 3,
      inParallel: 1,
      load: { currentA: 0.2 },
      cutoffV: 3.3,
    },
    fields: {
      chemistry: ['Cells', ''],
      ah: ['A cell holds, as printed', 'Ah'],
      inSeries: ['In series', ''],
      inParallel: ['Side by side', ''],
      'load.currentA': ['It draws', 'A'],
      'load.powerW': ['It draws', 'W'],
      'load.efficiency': ['Converter gives on', '%'],
      cutoffV: ['It goes out below', 'V'],
    },
    lines: (_, { hours, firstV, usedShare, endsBy }) => [
      line('lasts', hours * 60, 'min', {
        note: endsBy === 'empty' ? 'until the cells are empty' : 'until they sag below the cut-off',
      }),
      line('at the start', firstV, 'V'),
      line('used of the cells', usedShare, '%'),
    ],
    into: (_, { hours }) => ({
      label: `${fixed(hours, 1)} h as what a battery has to last`,
      commands: () => [{ do: 'set-use', use: { batteryHours: Math.max(0.1, hours) } }],
    }),
  },
)
