import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { onAllOf } from './on-supplies'

/** No capacitor at the strip: the surge at switching on disturbs the first frames. */
export const noCapacitor: FaultKind = {
  name: 'no-capacitor',
  title: 'Capacitor missing',
  find: (given) => {
    const planned = new Set(given.wiring.capacitors.map(({ supplyId }) => supplyId))
    return given.supplies.flatMap((supply) => {
      const hasPixels = supply.fits.some(({ load }) =>
        given.lanes.some(({ runs }) => runs.some(({ entry }) => entry.run.id === load.id)),
      )
      if (!hasPixels) return []
      const { id, name } = supply.slot
      return [
        {
          key: id,
          where: `at the first strip of ${name}`,
          about: [id],
          weight: planned.has(id) ? 0.3 : 1.5,
          ...(!planned.has(id) && { reasons: ['the plan has none'] }),
          does: { light: onAllOf(supply, given, 'flicker') ?? [], when: 'start' as const },
          shownBy: [
            { kind: 'look' as const, at: `capacitor ${id}`, where: `the capacitor of ${name}` },
          ],
        },
      ]
    })
  },
  mend: {
    steps: ['Solder 470 to 1000 µF across plus and minus where the strip begins, stripe to minus.'],
    cautions: solderCautions,
    proof: 'Switched on ten times without a flash.',
    minutes: 4,
  },
}
