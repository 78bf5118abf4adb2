import type { FedPlan } from '../feed/fed-plan'
import { headroomOf } from '../feed/supplies'
import type { PinPurpose } from '../lanes/pins'
import type { Strip } from '../plan/parts'

/** What the program has to know of the plan. */
export interface ProgramData {
  readonly plan: string
  readonly board: string | null
  /** What all lights together may draw, mA: what the supplies give less the headroom that the plan keeps. */
  readonly limitMa: number
  /** What they would draw at full white, mA. */
  readonly fullWhiteMa: number
  /** Brightness that the program never exceeds, 0 to 1. */
  readonly brightnessLimit: number
  readonly lanes: readonly {
    readonly name: string
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
  readonly dimmers: readonly { readonly name: string; readonly pin: string | null }[]
  readonly inputs: readonly {
    readonly name: string
    readonly kind: string
    readonly pin: string | null
  }[]
}

type FittedPins = NonNullable<FedPlan['fit']>['pins']
type PixelLight = Extract<Strip['light'], { kind: 'pixels' }>

/** Order of the colours: as its part says, or as is usual: green first on one wire, blue first with a clock. *Typical.* */
function colourOrder({ channels, data, order }: PixelLight): string {
  if (order !== undefined) return order
  const letters = channels.map(({ name }) => name.charAt(0).toUpperCase())
  const [red = '', green = '', blue = '', ...rest] = letters
  if (letters.length < 3) return letters.join('')
  return [...(data === 'one-wire' ? [green, red, blue] : [blue, green, red]), ...rest].join('')
}

/** Counts, pins, lanes, offsets and limits for the program. */
export function programData({
  plan,
  fit,
  lanes,
  supplies,
}: Pick<FedPlan, 'plan' | 'fit' | 'lanes' | 'supplies'>): ProgramData {
  const lanePin = (lane: string, line: 'data' | 'clock'): string | null =>
    fit?.pins.find(({ need: { of } }) => of.kind === 'lane' && of.lane === lane && of.line === line)
      ?.pin?.name ?? null
  const usesFor = (kind: PinPurpose['kind']): FittedPins =>
    fit?.pins.filter(({ need }) => need.of.kind === kind) ?? []
  const fullWhiteMa = supplies.reduce(
    (sum, { currentA, boardA }) => sum + (currentA['full-white'] - boardA) * 1000,
    0,
  )
  const givenMa = supplies.reduce((sum, { ratedA }) => sum + (ratedA ?? 0) * 1000, 0)
  return {
    plan: plan.name,
    board: fit?.board.name ?? null,
    limitMa: Math.floor(givenMa * (1 - headroomOf(plan)) + 1e-6),
    fullWhiteMa: Math.ceil(fullWhiteMa - 1e-6),
    brightnessLimit: plan.limit,
    lanes: lanes.map(({ id, name, pixels, bitsPerPixel, runs }) => {
      const light = runs[0]?.entry.strip.light
      return {
        name,
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
    })),
    inputs: usesFor('input').map(({ need: { name, of }, pin }) => ({
      name,
      kind: plan.signal.inputs.find(({ id }) => of.kind === 'input' && id === of.input)?.kind ?? '',
      pin: pin?.name ?? null,
    })),
  }
}
