import { solar } from '../glow/nights'
import { working } from '../quantity/figure'
import { above0 } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op } from './sum'

export const solarSum = defineSum(
  'solar',
  'Whether a solar panel and its battery carry the nights.',
  z.strictObject({
    panelW: z.number().nonnegative().max(5_000),
    sunHours: z.number().nonnegative().max(24),
    chargeEfficiency: above0(1, '', 1e-6).default(0.6),
    batteryWh: z.number().nonnegative().max(100_000),
    usableShare: above0(1, '', 1e-6).default(0.5),
    nightWh: z.number().nonnegative().max(100_000),
  }),
  solar,
  {
    title: 'Solar panel and nights',
    asks: ['which solar panel', 'off the grid', 'nights without sun'],
    start: {
      panelW: 20,
      sunHours: 2.5,
      chargeEfficiency: 0.6,
      batteryWh: 84,
      usableShare: 0.5,
      nightWh: 18,
    },
    fields: {
      panelW: ['Panel', 'W'],
      sunHours: ['Peak sun hours a day', ''],
      chargeEfficiency: ['Charging keeps', '%'],
      batteryWh: ['Battery', 'Wh'],
      usableShare: ['Of it usable', '%'],
      nightWh: ['A night takes', 'Wh'],
    },
    lines: (
      { panelW, sunHours, chargeEfficiency, batteryWh, usableShare, nightWh },
      { chargedWhPerDay, balanceWh, nightsWithoutSun },
    ) => [
      line('left after a day and a night', balanceWh, 'Wh', {
        working: working`${op('charged', chargedWhPerDay, 'Wh')} − ${op('night', nightWh, 'Wh')}`,
        note: balanceWh < 0 ? 'the battery runs down: a larger panel or shorter nights' : '',
      }),
      line('charged a day', chargedWhPerDay, 'Wh', {
        working: working`${op('panel', panelW, 'W')} × ${op('sun', sunHours)} h × ${op('charging', chargeEfficiency, '%')}`,
      }),
      line('nights without sun', nightsWithoutSun, '', {
        working: working`${op('battery', batteryWh, 'Wh')} × ${op('usable', usableShare, '%')} ÷ ${op('night', nightWh, 'Wh')}`,
        ...(nightsWithoutSun === null && { word: 'any number' }),
      }),
    ],
  },
)
