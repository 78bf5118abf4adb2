import { fullWPerM } from '../load/group-draw'
import type { Strip } from '../plan/parts'
import { formatQuantity } from '../quantity/format'
import type { Judge } from './verdict'

/** More than this apart, as a share of what is printed, is worth a note (handbook 4). */
const tolerated = 0.25

/** What a strip draws by its pixels, mA and volts, against the watts printed on it. */
export const nameplate: Judge = ({ plan, cutRuns }) =>
  [...new Set(cutRuns.map(({ strip }) => strip))].flatMap((strip) => {
    const counted = fullWPerM(strip)
    if (Math.abs(counted / strip.nameplateWPerM - 1) <= tolerated) return []
    const about = cutRuns.filter((entry) => entry.strip === strip).map(({ run }) => run.id)
    return [
      {
        id: `nameplate.${strip.id}`,
        code: 'nameplate' as const,
        grade: 'note' as const,
        about,
        text: `${strip.name}: counts to ${formatQuantity(counted, 'W/m', plan.units)}, ${formatQuantity(strip.nameplateWPerM, 'W/m', plan.units)} is printed`,
        why: 'One of the two is wrong; a metre on a meter tells which. Until then the larger is the safe one.',
        remedies: [
          {
            label: `count with ${formatQuantity(strip.nameplateWPerM, 'W/m', plan.units)}`,
            commands: [
              { do: 'own-strip' as const, strip: scaled(strip, strip.nameplateWPerM / counted) },
            ],
          },
        ],
      },
    ]
  })

function scaled(strip: Strip, factor: number): Strip {
  const { light } = strip
  return {
    ...strip,
    light:
      light.kind === 'pixels'
        ? { ...light, channels: light.channels.map((c) => ({ ...c, fullMa: c.fullMa * factor })) }
        : {
            ...light,
            channels: light.channels.map((c) => ({ ...c, wattsPerM: c.wattsPerM * factor })),
          },
  }
}
