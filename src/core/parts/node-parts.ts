import type { NodePart } from '../plan/plan'
import { inputParts } from './inputs'

const of = (name: string, rest: Partial<Omit<NodePart, 'id' | 'name'>>): Omit<NodePart, 'id'> => ({
  name,
  count: 1,
  holes: 1,
  holeMm: 5,
  wires: 2,
  minutes: 4,
  mA: 0,
  channels: 0,
  reads: 'analogue',
  ...rest,
})

/** What nodes are made of, to start from; figures are *typical*, minutes with drilling, threading and both ends of each wire. */
export const nodeParts: readonly Omit<NodePart, 'id'>[] = [
  of(inputParts.proximity.name, {
    holes: 2,
    wires: 3,
    minutes: 8,
    mA: inputParts.proximity.mA,
    channels: 1,
  }),
  of(inputParts.light.name, { minutes: 5, mA: inputParts.light.mA, channels: 1 }),
  of(inputParts.button.name, {
    holeMm: 12,
    minutes: 4,
    mA: inputParts.button.mA,
    channels: 1,
    reads: 'digital',
  }),
  of('light in its hole', { holeMm: 8, wires: 3, minutes: 7, isLight: true }),
  of('glass bead over it', { holes: 0, wires: 0, minutes: 1 }),
  of('frosted dome over it', { holes: 0, wires: 0, minutes: 1 }),
]
