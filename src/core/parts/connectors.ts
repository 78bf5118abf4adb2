import type { ConnectorId } from '../plan/choices'

/** What a lead comes apart at, with one half on either side. Figures are *typical* (handbook 4). */
export interface Connector {
  readonly id: ConnectorId
  readonly name: string
  /** What each of its contacts carries, A. */
  readonly limitA: number
  /** Of a contact, in plus and in minus each, Ω. */
  readonly ohm: number
  /** How wires get into it. */
  readonly by: 'solder' | 'screw' | 'press'
  readonly price: number
}

/** What carries least first. */
export const connectors: readonly Connector[] = [
  { id: 'clip', name: 'wire clip', limitA: 2, ohm: 0.03, by: 'press', price: 0.4 },
  { id: 'strip-plug', name: 'strip plug pair', limitA: 3, ohm: 0.015, by: 'solder', price: 0.9 },
  {
    id: 'barrel',
    name: 'barrel plug and socket with screws',
    limitA: 3,
    ohm: 0.02,
    by: 'screw',
    price: 1.6,
  },
  { id: 'crimp', name: 'crimped plug pair', limitA: 5, ohm: 0.008, by: 'press', price: 1.1 },
  { id: 'screw', name: 'screw connector', limitA: 10, ohm: 0.004, by: 'screw', price: 0.5 },
]

export const connectorOf = (id: ConnectorId | undefined): Connector | undefined =>
  connectors.find((one) => one.id === id)
