import type { LegColour, LightLegs, LightPart } from '../plan/parts'

// *Typical* figures (handbook 4).

const led = (id: string, name: string, volts: number, tint: string, mA = 20): LightPart => ({
  id: `led-${id}`,
  name,
  kind: 'led',
  volts,
  mA,
  leds: 1,
  tint,
  holeMm: 5,
  price: 0.08,
})

const colours = {
  red: { name: 'red', volts: 2, mA: 20, tint: '#ff2a1f' },
  green: { name: 'green', volts: 3, mA: 20, tint: '#2bff57' },
  // The green that is sold with red on three legs has about red's volts.
  leafGreen: { name: 'green', volts: 2.2, mA: 20, tint: '#9dff3c' },
  blue: { name: 'blue', volts: 3.1, mA: 20, tint: '#2f55ff' },
} as const satisfies Record<string, LegColour>

const legged = (common: LightLegs['common'], own: readonly LegColour[]): LightPart => ({
  ...led(
    `${own.length === 2 ? 'red-green' : 'rgb'}-${common}`,
    `${own.length === 2 ? 'red and green LED, three legs' : 'red, green and blue LED, four legs'}, common ${common}`,
    Math.max(...own.map(({ volts }) => volts)),
    own.length === 2 ? '#ffd23c' : '#f4f0ff',
  ),
  leds: own.length,
  price: own.length === 2 ? 0.15 : 0.25,
  legs: { common, colours: [...own] },
})

export const shippedLights: readonly LightPart[] = [
  led('warm', 'warm white LED', 3.1, '#ffd9a0'),
  led('white', 'white LED', 3.1, '#f4f6ff'),
  led('red', 'red LED', 2, '#ff5a4d'),
  led('amber', 'amber LED', 2.1, '#ffb02e'),
  led('yellow', 'yellow LED', 2.1, '#ffe14d'),
  led('green', 'green LED', 3, '#4be07a'),
  led('blue', 'blue LED', 3.1, '#5c8dff'),
  { ...led('flicker-warm', 'flickering warm LED', 3.1, '#ffc27a', 18), price: 0.2 },
  { ...led('flicker-red', 'flickering red LED', 2, '#ff7a4d', 18), price: 0.2 },
  legged('minus', [colours.red, colours.green, colours.blue]),
  legged('plus', [colours.red, colours.green, colours.blue]),
  legged('minus', [colours.red, colours.leafGreen]),
  legged('plus', [colours.red, colours.leafGreen]),
  {
    id: 'grain-12v',
    name: 'pre-wired 12 V grain',
    kind: 'fixed',
    volts: 12,
    mA: 15,
    leds: 1,
    tint: '#ffd9a0',
    holeMm: 4,
    price: 0.45,
    lead: { lengthMm: 300, plugMm: 6.5, mostOnLead: 24 },
  },
  {
    id: 'flicker-grain-12v',
    name: 'pre-wired 12 V flicker grain',
    kind: 'fixed',
    volts: 12,
    mA: 15,
    leds: 1,
    tint: '#ffc27a',
    holeMm: 4,
    price: 0.6,
    lead: { lengthMm: 300, plugMm: 6.5, mostOnLead: 24 },
  },
  {
    id: 'bulb-5v',
    name: '5 V bulb of four LEDs',
    kind: 'fixed',
    volts: 5,
    mA: 80,
    leds: 4,
    tint: '#ffd9a0',
    holeMm: 14,
    price: 1.3,
    lead: { lengthMm: 1000, plugMm: 11, mostOnLead: 10 },
  },
  {
    id: 'bulb-12v',
    name: '12 V bulb of three LEDs',
    kind: 'fixed',
    volts: 12,
    mA: 20,
    leds: 3,
    tint: '#ffd9a0',
    holeMm: 14,
    price: 1.1,
    lead: { lengthMm: 1000, plugMm: 11, mostOnLead: 20 },
  },
]
