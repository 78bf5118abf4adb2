import type { CutStripRun } from '../cut/cut'
import { lightPartOf, type Parts } from '../parts/find'
import { sinkBoard } from '../parts/drivers'
import type { LightPart } from '../plan/parts'
import type { Lights, Plan } from '../plan/plan'
import { supplyOfLine } from '../plan/supply-of'
import { usualLights } from '../plan/usual'
import { nodesA } from './nodes'
import { resistorFor, type ResistorPick } from './e-series'
import type { SupplyVolts } from './supply-volts'

/** How single lights hang and are driven, all said. */
export type LightSettings = {
  readonly [Key in keyof typeof usualLights | 'resistor']: NonNullable<Lights[Key]>
} & Pick<Lights, 'mix'>

/** One colour of the lights of a run: an ordinary LED has one, one of several legs has each by itself. */
export interface LitColour {
  /** Empty where there is only one. */
  readonly name: string
  readonly volts: number
  readonly mA: number
  readonly tint: string
  /** `undefined` where there is none, or the supply leaves nothing for it. */
  readonly resistor: ResistorPick | undefined
  /** Of this colour. */
  readonly resistors: number
  /** Through one group while it is lit, A. */
  readonly stringA: number
  /** Of LEDs that share a resistor: what the hottest gets when forward volts differ by ±0.1 V, A. */
  readonly hottestA: number | undefined
}

/** The single lights of a run, with what stands before them and what they draw. */
export interface LitRun {
  readonly id: string
  readonly part: LightPart
  readonly settings: LightSettings
  readonly lights: number
  readonly supplyV: number
  /** Groups in series, each on its own between plus and minus: of several colours one a colour of each light, light by light. */
  readonly strings: number
  readonly colours: readonly LitColour[]
  /** Of a matrix: rows and columns. */
  readonly rows: number
  readonly columns: number
  /** Of all colours. */
  readonly resistors: number
  readonly hasHeadroom: boolean
  /** Through one group while it is lit, of the colour that takes the most, A. */
  readonly stringA: number
  /** Through all that are lit at a time, A. */
  readonly peakA: number
  /** What else is in their nodes, all the time, A. */
  readonly besideA: number
}

/** What is said of single lights, and for the rest what is usual and the house rule. */
export const lightSettings = (
  { rules }: Pick<Plan, 'rules'>,
  lights: Partial<Lights> = {},
): LightSettings => {
  // The outputs of a sink board set the current themselves.
  const resistor = lights.drive === 'sink' ? 'none' : rules.lightResistor
  return { ...usualLights, resistor, ...lights } as LightSettings
}

/** Drives whose lights get their current from the board's pins, not from the supply. */
export const isOnPins = ({ drive }: Pick<LightSettings, 'drive'>): boolean =>
  drive === 'pins' || drive === 'matrix' || drive === 'charlie'

/** How far forward volts of LEDs of one kind differ, V, and the slope of an LED, Ω: *typical*. */
const spreadV = 0.1
const slopeOhm = 10

/** What a board's pins give where the plan leaves the board open, V. */
const usualPinV = 5

/** The single lights of every run that says what hangs there. */
export function litRuns(
  plan: Plan,
  cutRuns: readonly CutStripRun[],
  parts: Parts,
  volts: SupplyVolts,
): LitRun[] {
  const board = parts.boards.find(({ id }) => id === plan.signal.board)
  return cutRuns.flatMap((entry): LitRun[] => {
    const { run } = entry
    const { lights } = run.line
    if (lights === undefined || run.lights.length === 0) return []
    const { drive = usualLights.drive } = lights
    const supplyV = isOnPins({ drive })
      ? (board?.highV ?? usualPinV)
      : (volts.get(supplyOfLine(plan, run.line)) ?? usualPinV)
    return [litRun(plan, entry, lightPartOf(parts, lights.part), lights, supplyV)]
  })
}

function litRun(
  { rules }: Plan,
  { run }: CutStripRun,
  part: LightPart,
  lights: Lights,
  supplyV: number,
): LitRun {
  const said = lightSettings({ rules }, lights)
  // What has a resistor in it, or a leg in common, does not go in series.
  const isAlone = part.kind === 'fixed' || part.legs !== undefined
  const settings = isAlone ? { ...said, inSeries: 1 } : said
  const { inSeries } = settings
  const count = run.lights.length
  const groups = Math.ceil(count / inSeries)
  const [rows, columns] = gridOf(run, count)
  const isShared = part.kind === 'led' && settings.resistor === 'shared' && groups > 1
  const hasResistor = part.kind === 'led' && settings.resistor !== 'none'
  const colours = coloursOf(part).map((colour): LitColour => {
    const resistor = hasResistor
      ? resistorFor({
          supplyV: settings.drive === 'sink' ? supplyV - sinkBoard.dropV : supplyV,
          forwardV: colour.volts,
          inSeries,
          currentA: (colour.mA / 1000) * (isShared ? groups : 1),
          series: rules.eSeries,
          tolerance: rules.tolerance,
        })
      : undefined
    const perGroup =
      resistor === undefined ? colour.mA / 1000 : resistor.currentA / (isShared ? groups : 1)
    const isLit = part.kind === 'fixed' || supplyV > inSeries * colour.volts
    return {
      ...colour,
      resistor,
      resistors:
        resistor === undefined ? 0 : isShared ? 1 : resistorsFor(settings, groups, columns),
      stringA: isLit ? perGroup : 0,
      hottestA:
        isShared && resistor !== undefined
          ? hottest(supplyV, inSeries * colour.volts, groups, resistor.pickOhm)
          : undefined,
    }
  })
  const stringA = Math.max(...colours.map((colour) => colour.stringA))
  const allA = colours.reduce((sum, colour) => sum + colour.stringA, 0)
  const peakA = {
    always: groups * allA,
    switch: groups * allA,
    pins: groups * allA,
    sink: groups * allA,
    driver: groups * allA,
    matrix: settings.scan === 'led' ? stringA : columns * allA,
    charlie: stringA,
  }[settings.drive]
  return {
    id: run.id,
    part,
    settings,
    lights: count,
    supplyV,
    strings: groups * colours.length,
    colours,
    rows,
    columns,
    resistors: colours.reduce((sum, colour) => sum + colour.resistors, 0),
    hasHeadroom: part.kind === 'fixed' || supplyV > inSeries * part.volts,
    stringA,
    peakA,
    besideA: nodesA(run),
  }
}

/** The colours of a light, each by itself. */
const coloursOf = ({
  legs,
  volts,
  mA,
  tint,
}: LightPart): Pick<LitColour, 'name' | 'volts' | 'mA' | 'tint'>[] =>
  legs?.colours ?? [{ name: '', volts, mA, tint }]

/**
 * What one group with forward volts 0.1 V below gets beside others 0.1 V above, all on one resistor: Σ (v − Vf) / slope = (supply − v) / R.
 * LEDs are taken as straight lines behind their forward volts at the wanted current.
 */
function hottest(supplyV: number, forwardV: number, strings: number, ohm: number): number {
  const kneeV = forwardV - 0.02 * slopeOhm
  const [low, high] = [kneeV - spreadV, kneeV + spreadV]
  const siemens = strings / slopeOhm + 1 / ohm
  const at = ((low + (strings - 1) * high) / slopeOhm + supplyV / ohm) / siemens
  // Where the others do not even light, all of it goes through the one.
  return at > high ? (at - low) / slopeOhm : (supplyV - low) / (ohm + slopeOhm)
}

/** One for each group; a matrix has one in each column, since one of its LEDs is lit at a time. */
const resistorsFor = ({ drive }: LightSettings, strings: number, columns: number): number =>
  drive === 'matrix' ? columns : strings

/** Rows and columns: those of a grid as it was jotted, or as square as the number allows. */
function gridOf({ shape, dimensions }: CutStripRun['run'], count: number): [number, number] {
  const counts = dimensions.filter(({ kind }) => kind === 'count').map(({ value }) => value)
  const [rows, columns] = counts
  if (shape === 'grid' && rows !== undefined && columns !== undefined && rows * columns === count)
    return [rows, columns]
  const across = Math.max(1, Math.ceil(Math.sqrt(count)))
  return [Math.ceil(count / across), across]
}
