import { suits, type FedSupply } from '../feed/supplies'
import { highestVolts } from '../feed/highest-volts'
import type { Strip } from '../plan/parts'
import { formatQuantity, significant } from '../quantity/format'
import { isAtLeast } from '../quantity/round'
import type { Evidence, Judge, Remedy, Verdict } from './verdict'
import { fewNames } from '../quantity/few-names'

const volts = (value: number): string => formatQuantity(value, 'V')

/** The most that a strip stands, as a share of its volts, and from where on it is done for: pixels, and plain strips. *Typical.* */
const stands = { pixels: 1.06, plain: 1.1 } as const
const burns = { pixels: 1.2, plain: 1.3 } as const

/** The most volts that a strip stands, V: 5.3 V for 5 V pixels. */
const mostVolts = ({ light, volts: own }: Strip): number => stands[light.kind] * own

/** Strips whose source, fresh or on its charger, gives more than they stand, although its nominal volts are right. */
export const voltsOver: Judge = (evidence) =>
  evidence.supplies.flatMap((supply): Verdict[] => {
    const { slot, part, volts: nominal, fits } = supply
    const highestV = highestVolts(part, nominal)
    const ids = new Set(fits.map(({ load }) => load.id))
    const over = evidence.cutRuns.filter(
      ({ run, strip, groups }) =>
        groups > 0 && ids.has(run.id) && !isAtLeast(mostVolts(strip), highestV),
    )
    const [worst] = over.toSorted((a, b) => mostVolts(a.strip) - mostVolts(b.strip))
    if (worst === undefined) return []
    const isBurning = over.some(({ strip }) => highestV > burns[strip.light.kind] * strip.volts)
    return [
      {
        id: `volts-over.${slot.id}`,
        code: 'volts-over',
        grade: isBurning ? 'stop' : 'warning',
        about: [slot.id, ...over.map(({ run }) => run.id)],
        text: `${slot.name} gives ${volts(highestV)} ${part?.battery === undefined ? 'as it is set' : 'when full'}: ${fewNames(over.map(({ run }) => run.name))} ${over.length === 1 ? 'stands' : 'stand'} ${volts(mostVolts(worst.strip))}`,
        why:
          worst.strip.light.kind === 'pixels'
            ? 'Their chips age fast, or die when the cells are fresh.'
            : 'It draws and heats far more than printed on it.',
        remedies: fewerVolts(evidence, supply, mostVolts(worst.strip)),
      },
    ]
  })

/** A trimmer turned back, or sources that never give too much: cells of the same chemistry first. */
function fewerVolts(
  { parts }: Evidence,
  { slot, part, loadA, fits }: FedSupply,
  mostV: number,
): Remedy[] {
  if (slot.trimV !== undefined)
    return [
      {
        label: 'set its trimmer back',
        commands: [{ do: 'trim-supply', supply: slot.id, volts: undefined }],
      },
    ]
  const isPortable = part?.battery !== undefined
  const others = parts.supplies.filter(
    (other) =>
      (other.battery !== undefined || other.bank !== undefined) === isPortable &&
      fits.every(({ load }) => suits(load.volts, other.volts)) &&
      highestVolts(other, other.volts) <= mostV &&
      other.ratedA >= loadA,
  )
  const isAlike = (other: (typeof others)[number]): boolean =>
    other.battery?.chemistry === part?.battery?.chemistry
  const [first] = others.toSorted(
    (a, b) => Number(isAlike(b)) - Number(isAlike(a)) || a.price - b.price,
  )
  return first === undefined
    ? []
    : [
        {
          label: `take ${first.name}, ${significant(highestVolts(first, first.volts))} V at the most`,
          commands: [{ do: 'pick-supply', supply: slot.id, part: first.id }],
        },
      ]
}
