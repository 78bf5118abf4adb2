import type { FaultKind } from '../fault'
import { supplyNode } from './at-contact'
import { onSupplies } from './on-supplies'

/** A long thin USB cable has about so many ohms a wire. *Typical.* */
const cableOhm = 0.35

const usbKinds: readonly string[] = ['usb-port', 'usb-c', 'power-bank', 'computer']

export const thinUsb: FaultKind = {
  name: 'thin-usb',
  title: 'Thin USB cable',
  find: (given) =>
    onSupplies(given, (supply) =>
      supply.part !== undefined && usbKinds.includes(supply.part.kind)
        ? {
            weight: 2.5,
            does: {
              feed: [{ kind: 'behind', supply: supplyNode(supply.slot.id), ohm: cableOhm }],
            },
            shownBy: [
              {
                kind: 'instead',
                at: `usb ${supply.slot.id}`,
                where: `a short thick USB cable in place of that of ${supply.slot.name}`,
              },
            ],
          }
        : undefined,
    ),
  mend: {
    steps: ['Take a short cable with thick cores; one that only charges slowly is too thin.'],
    cautions: [],
    proof: 'At full white the volts at the strip’s start stay above 4.7 V.',
    minutes: 2,
  },
}
