import { visits } from '../glow/nights'
import { working } from '../quantity/figure'
import { above0 } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op } from './sum'

export const visitsSum = defineSum(
  'visits',
  'Energy of a light that comes on when somebody passes.',
  z.strictObject({
    visitsPerDay: z.number().nonnegative().max(10_000),
    secondsEach: z.number().nonnegative().max(86_400),
    watts: z.number().nonnegative().max(10_000),
    idleWatts: z.number().nonnegative().max(1_000).default(0),
    supplyEfficiency: above0(1, '', 1e-6).default(0.85),
    darkShare: z.number().min(0).max(1).default(1),
  }),
  visits,
  {
    title: 'Light by visits',
    asks: ['motion sensor energy', 'how long is it on a day', 'standby'],
    start: {
      visitsPerDay: 20,
      secondsEach: 60,
      watts: 12,
      idleWatts: 0.5,
      supplyEfficiency: 0.85,
      darkShare: 0.6,
    },
    fields: {
      visitsPerDay: ['Visits a day', ''],
      secondsEach: ['Lit each time', 's'],
      watts: ['While on', 'W'],
      idleWatts: ['Idle', 'W'],
      supplyEfficiency: ['The supply gives on', '%'],
      darkShare: ['Of the visits in the dark', '%'],
    },
    lines: (
      { visitsPerDay, darkShare, secondsEach, watts, idleWatts, supplyEfficiency },
      { hoursLitPerDay, wattHoursPerDay },
    ) => [
      line('a day', wattHoursPerDay, 'Wh', {
        working: working`(${op('on', watts, 'W')} × ${op('lit', hoursLitPerDay)} h + ${op('idle', idleWatts, 'W')} × ${op('rest', 24 - hoursLitPerDay)} h) ÷ ${op('supply', supplyEfficiency, '%')}`,
      }),
      line('lit a day', hoursLitPerDay * 60, 'min', {
        working: working`${op('visits', visitsPerDay)} × ${op('dark', darkShare, '%')} × ${op('each', secondsEach, 's')}`,
      }),
    ],
    into: (_, { hoursLitPerDay }) => ({
      label: 'as the hours a day of the plan',
      commands: () => [{ do: 'set-use', use: { hoursADay: hoursLitPerDay } }],
    }),
  },
)
