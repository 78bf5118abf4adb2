import { working } from '../quantity/figure'
import { energy } from '../feed/energy'
import { above0, price, watts } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op } from './sum'

export const energySum = defineSum(
  'energy',
  'What a plan takes from the wall in a day and a year.',
  z.strictObject({
    watts,
    idleWatts: watts.default(0),
    hoursOnPerDay: z.number().min(0).max(24),
    pricePerKwh: price,
    supplyEfficiency: above0(1, '', 1e-6).default(0.85),
  }),
  energy,
  {
    title: 'Energy and its price',
    asks: ['what does it cost to run', 'kWh a year', 'electricity bill'],
    start: {
      watts: 40,
      idleWatts: 1.5,
      hoursOnPerDay: 4,
      pricePerKwh: 0.3,
      supplyEfficiency: 0.85,
    },
    fields: {
      watts: ['While on', 'W'],
      idleWatts: ['Idle', 'W'],
      hoursOnPerDay: ['Hours a day', ''],
      pricePerKwh: ['A kWh costs', 'price'],
      supplyEfficiency: ['The supply gives on', '%'],
    },
    lines: (
      { pricePerKwh, watts, hoursOnPerDay, idleWatts, supplyEfficiency },
      { kwhPerYear, costPerYear, wattHoursPerDay },
    ) => [
      line('a year costs', costPerYear, 'price', {
        working: working`${op('a year', kwhPerYear, 'kWh')} × ${op('a kWh', pricePerKwh, 'price')}`,
      }),
      line('a year', kwhPerYear, 'kWh'),
      line('a day', wattHoursPerDay / 1000, 'kWh', {
        working: working`(${op('on', watts, 'W')} × ${op('hours', hoursOnPerDay)} + ${op('idle', idleWatts, 'W')} × ${op('rest', 24 - hoursOnPerDay)}) ÷ ${op('supply', supplyEfficiency, '%')}`,
      }),
    ],
    into: ({ hoursOnPerDay, pricePerKwh }) => ({
      label: 'hours a day and the price',
      commands: () => [
        {
          do: 'set-use',
          use: { hoursADay: hoursOnPerDay, pricePerKwh: Math.min(100, pricePerKwh) },
        },
      ],
    }),
  },
)
