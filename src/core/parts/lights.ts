import type { LightPart } from '../plan/parts'

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
