import type { FedPlan } from '../feed/fed-plan'
import { dimmableOf, type FedSupply } from '../feed/supplies'
import { dimmersOf } from '../lanes/dimmers'
import type { PinPurpose } from '../lanes/pins'
import type { Strip } from '../plan/parts'

/** What the program has to know of the plan. */
export interface ProgramData {
  readonly plan: string
  readonly board: string | null
  /**
   * What all that the program dims may draw beyond its idle current, mA: what the supplies may give less the headroom that the plan keeps,
   * the board, and what the program cannot dim.
   */
  readonly limitMa: number
  /** What it would draw beyond its idle current at full white, as far as the brightness limit lets it, mA. */
  readonly fullWhiteMa: number
  /** Brightness that the program never exceeds, 0 to 1. */
  readonly brightnessLimit: number
  /** The same for each supply that has something to dim. */
  readonly supplies: readonly {
    readonly name: string
    readonly volts: number
    readonly limitMa: number
    readonly fullWhiteMa: number
  }[]
  readonly lanes: readonly {
    readonly name: string
    /** Its share of the limits of the supplies that its runs hang on, mA. */
    readonly limitMa: number
    readonly pin: string | null
    readonly clockPin: string | null
    readonly pixels: number
    readonly bitsPerPixel: number
    readonly order: string
    readonly runs: readonly {
      readonly name: string
      readonly first: number
      readonly count: number
      /** Numbers on the lane that stay dark: from, and how many. */
      readonly dark: readonly { readonly from: number; readonly count: number }[]
    }[]
  }[]
  readonly dimmers: readonly {
    readonly name: string
    readonly pin: string | null
    readonly limitMa: number
  }[]
  readonly inputs: readonly {
    readonly name: string
    readonly kind: string
    readonly pin: string | null
  }[]
}

type FittedPins = NonNullable<FedPlan['fit']>['pins']
type PixelLight = Extract<Strip['light'], { kind: 'pixels' }>

/** Order of the colours: as its part says, or as is usual: green first on one wire, blue first with a clock. *Typical.* */
export function colourOrder({ channels, data, order }: PixelLight): string {
  if (order !== undefined) return order
  const letters = channels.map(({ name }) => name.charAt(0).toUpperCase())
  const [red = '', green = '', blue = '', ...rest] = letters
  if (letters.length < 3) return letters.join('')
  return [...(data === 'one-wire' ? [green, red, blue] : [blue, green, red]), ...rest].join('')
}

/** mA rounded down, past what sums of floating numbers leave. */
const wholeMa = (amperes: number): number => Math.floor(amperes * 1000 + 1e-6)

/**
 * What some runs may draw together, mA: a supply's limit is shared out by what its runs draw at full white. Runs on several supplies dim
 * together, so that the supply with the least to spare decides.
 */
function limitOf(supplies: readonly FedSupply[], runs: readonly string[]): number {
  let [allA, share] = [0, Infinity]
  for (const { fits, limitA, dimmableA } of supplies) {
    const ownA = fits
      .filter(({ load }) => runs.includes(load.id))
      .reduce((sum, fit) => sum + dimmableOf(fit), 0)
    if (ownA <= 0) continue
    allA += ownA
    share = Math.min(share, (limitA ?? 0) / dimmableA)
  }
  return allA > 0 ? wholeMa(allA * share) : 0
}

/** Counts, pins, lanes, offsets and limits for the program. */
export function programData({
  plan,
  cutRuns,
  lit,
  fit,
  lanes,
  supplies,
}: Pick<FedPlan, 'plan' | 'cutRuns' | 'lit' | 'fit' | 'lanes' | 'supplies'>): ProgramData {
  const lanePin = (lane: string, line: 'data' | 'clock'): string | null =>
    fit?.pins.find(({ need: { of } }) => of.kind === 'lane' && of.lane === lane && of.line === line)
      ?.pin?.name ?? null
  const usesFor = (kind: PinPurpose['kind']): FittedPins =>
    fit?.pins.filter(({ need }) => need.of.kind === kind) ?? []
  const limits = supplies
    .filter(({ dimmableA }) => dimmableA > 0)
    .map(({ slot, volts, limitA, dimmableA }) => ({
      name: slot.name,
      volts,
      limitMa: wholeMa(limitA ?? 0),
      fullWhiteMa: Math.ceil(dimmableA * 1000 - 1e-6),
    }))
  const dimmers = new Map(dimmersOf(cutRuns, lit).map((dimmer) => [dimmer.name, dimmer]))
  /** What one channel of a dimmer may draw, mA. */
  const channelLimit = (name: string): number => {
    const { runs = [], channels = [] } = dimmers.get(name) ?? {}
    const limitMa = limitOf(
      supplies,
      runs.map(({ run }) => run.id),
    )
    return Math.floor(limitMa / Math.max(1, channels.length))
  }
  return {
    plan: plan.name,
    board: fit?.board.name ?? null,
    limitMa: limits.reduce((sum, { limitMa }) => sum + limitMa, 0),
    fullWhiteMa: limits.reduce((sum, one) => sum + one.fullWhiteMa, 0),
    brightnessLimit: plan.limit,
    supplies: limits,
    lanes: lanes.map(({ id, name, pixels, bitsPerPixel, runs }) => {
      const light = runs[0]?.entry.strip.light
      return {
        name,
        limitMa: limitOf(
          supplies,
          runs.map(({ entry }) => entry.run.id),
        ),
        pin: lanePin(id, 'data'),
        clockPin: lanePin(id, 'clock'),
        pixels,
        bitsPerPixel,
        order: light?.kind === 'pixels' ? colourOrder(light) : '',
        runs: runs.map(({ entry, first, pixels: count, extra, dark }) => ({
          name: entry.run.name,
          first,
          count,
          dark: [
            ...(extra > 0 ? [{ from: first - extra, count: extra }] : []),
            ...dark.map(([from, to]) => ({ from: first + from, count: to - from })),
          ],
        })),
      }
    }),
    dimmers: usesFor('dimmer').map(({ need, pin }) => ({
      name: need.name,
      pin: pin?.name ?? null,
      limitMa: need.of.kind === 'dimmer' ? channelLimit(need.of.dimmer) : 0,
    })),
    inputs: usesFor('input').map(({ need: { name, of }, pin }) => ({
      name,
      kind: plan.signal.inputs.find(({ id }) => of.kind === 'input' && id === of.input)?.kind ?? '',
      pin: pin?.name ?? null,
    })),
  }
}
