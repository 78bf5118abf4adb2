import { suits } from '../feed/supplies'
import { isOnPins, type LitRun } from '../load/lights'
import { groupCount, legCount } from '../load/lit-colours'
import { sensorA } from '../lanes/boards'
import { shippedLights } from '../parts/lights'
import type { LightDrive } from '../plan/choices'
import type { Board, LightPart } from '../plan/parts'
import type { Lights } from '../plan/plan'
import { runName } from '../cut/entry-of'
import { supplyOfLine } from '../plan/supply-of'
import { formatQuantity } from '../quantity/format'
import { isAtLeast } from '../quantity/round'
import { sinkBoard } from '../parts/drivers'
import { matrixScan, npnSwitch, sinkBoards } from '../lanes/drives'
import type { Evidence, Judge, Remedy, Verdict } from './verdict'
import { fewNames } from '../quantity/few-names'

const mA = (amperes: number): string => formatQuantity(amperes * 1000, 'mA')
const volts = (value: number): string => formatQuantity(value, 'V')

/** An edit of what hangs on a line. */
export function setLights(
  { plan }: Evidence,
  { id }: LitRun,
  label: string,
  set: Partial<Lights>,
): Remedy[] {
  return plan.lines.find((line) => line.id === id)?.lights === undefined
    ? []
    : [{ label, commands: [{ do: 'set-within-line', line: id, lights: set }] }]
}

/** Judges every run of single lights by itself. */
export const eachLit = (
  evidence: Evidence,
  judge: (run: LitRun, name: string) => Omit<Verdict, 'about' | 'id'> | undefined,
): Verdict[] =>
  evidence.lit.flatMap((run) => {
    const found = judge(run, runName(evidence.cutRuns, run.id))
    if (found === undefined) return []
    const line = evidence.plan.lines.find(({ id }) => id === run.id)
    const about =
      found.code === 'light-volts' ? [run.id, supplyOfLine(evidence.plan, line)] : [run.id]
    return [{ ...found, id: `${found.code}.${run.id}`, about }]
  })

/** Share of the supply that the resistor of LEDs should have. */
const thinShare = 0.15

/** LEDs without a resistor, or with so many in series that nothing is left for one. */
export const lightResistors: Judge = (evidence) =>
  eachLit(evidence, (run, name) => {
    const { part, settings, supplyV, hasHeadroom } = run
    if (part.kind === 'fixed') {
      if (suits(part.volts, supplyV)) return undefined
      return {
        code: 'light-volts',
        grade: 'stop',
        text: `${name}: ${part.name} on ${volts(supplyV)}`,
        why:
          supplyV > part.volts
            ? 'It is made for less, and burns out.'
            : 'It is made for more, and stays dark.',
        remedies: [],
      }
    }
    if (!hasHeadroom) {
      const fits = Math.floor((supplyV - 0.3) / part.volts)
      return {
        code: 'no-headroom',
        grade: 'stop',
        text: `${name}: ${String(settings.inSeries)} × ${volts(part.volts)} in series leave nothing of ${volts(supplyV)}`,
        why: 'LEDs in series need more than the sum of their forward volts, and a rest for the resistor.',
        remedies:
          fits < 1 ? [] : setLights(evidence, run, `${String(fits)} in series`, { inSeries: fits }),
      }
    }
    const leftV = supplyV - settings.inSeries * part.volts
    const isThin =
      settings.resistor !== 'none' &&
      settings.drive !== 'sink' &&
      leftV < thinShare * supplyV - 1e-9
    if (isThin) {
      const fits = Math.floor(((1 - thinShare) * supplyV) / part.volts + 1e-9)
      return {
        code: 'no-headroom',
        grade: 'warning',
        text: `${name}: ${String(settings.inSeries)} × ${volts(part.volts)} in series leave ${volts(leftV)} of ${volts(supplyV)} for the resistor`,
        why: 'Below 15 % the current hangs on what each LED happens to need: some are dim, some too bright.',
        remedies:
          fits < 1 ? [] : setLights(evidence, run, `${String(fits)} in series`, { inSeries: fits }),
      }
    }
    // The outputs of a sink board hold their current by themselves.
    if (settings.resistor !== 'none' || settings.drive === 'sink') return undefined
    return {
      code: 'no-led-resistor',
      grade: 'stop',
      text: `${name}: ${part.name} on ${volts(supplyV)} without a resistor`,
      why: 'Nothing limits its current: it dies at once, or slowly and hot.',
      remedies: setLights(evidence, run, 'a resistor for each group', { resistor: 'each' }),
    }
  })

/** LEDs of several colours whose common leg does not suit what drives them. */
export const commonLeg: Judge = (evidence) =>
  eachLit(evidence, (run, name) => {
    const { part, settings } = run
    if (part.legs === undefined) return undefined
    const isScanned = scanned.includes(settings.drive)
    if (!isScanned && (settings.drive !== 'sink' || part.legs.common === 'plus')) return undefined
    const twin = isScanned ? undefined : withCommonPlus(part)
    return {
      code: 'common-leg',
      grade: 'stop',
      text: isScanned
        ? `${name}: the ${String(legCount(run))} legs of its LEDs do not suit a scan`
        : `${name}: sink boards pull to minus, and its LEDs have their minus in common`,
      why: isScanned
        ? 'The leg in common joins what a scan has to keep apart: other colours glow along.'
        : 'With the minus in common nothing switches the colours: they stay dark or all on.',
      remedies: [
        ...(twin === undefined
          ? []
          : setLights(evidence, run, 'LEDs with a common plus', { part: twin.id })),
        ...setLights(evidence, run, 'each colour on a pin', { drive: 'pins' }),
      ],
    }
  })

const scanned: readonly LightDrive[] = ['matrix', 'charlie', 'driver']

/** The part that ships with the same colours and its plus in common. */
const withCommonPlus = ({ legs }: LightPart): LightPart | undefined =>
  shippedLights.find(
    (one) =>
      one.legs?.common === 'plus' &&
      JSON.stringify(one.legs.colours) === JSON.stringify(legs?.colours),
  )

/** LEDs side by side on one resistor: the one with the lowest forward volts takes the most. */
export const sharedResistor: Judge = (evidence) =>
  eachLit(evidence, (run, name) => {
    // Of several colours the one whose hottest is worst off.
    const [worst] = run.colours.toSorted(
      (a, b) => (b.hottestA ?? 0) / b.mA - (a.hottestA ?? 0) / a.mA,
    )
    if (worst?.hottestA === undefined) return undefined
    const { hottestA, stringA, mA: wantedMa } = worst
    const groups = groupCount(run)
    const of = worst.name === '' ? 'groups' : `${worst.name} LEDs`
    return {
      code: 'shared-resistor',
      grade: 'warning',
      text: `${name}: ${String(groups)} ${of} on one resistor; where forward volts differ by ±0.1 V the hottest gets ${mA(hottestA)} instead of ${mA(stringA)}`,
      why: `When it dies the others share its ${String(wantedMa)} mA, and go one after another.`,
      remedies: setLights(evidence, run, 'each group its own', { resistor: 'each' }),
    }
  })

/** What stands between a pin and lights that ask too much of it. */
function offPins(evidence: Evidence, run: LitRun): Remedy[] {
  if (run.settings.drive !== 'pins')
    return setLights(evidence, run, 'a driver chip', { drive: 'driver' })
  if (run.part.legs === undefined)
    return setLights(evidence, run, 'all of them behind a switch', { drive: 'switch' })
  // Colours that are to be mixed stay apart.
  const twin = run.part.legs.common === 'plus' ? run.part : withCommonPlus(run.part)
  return twin === undefined
    ? setLights(evidence, run, 'all colours behind one switch', { drive: 'switch' })
    : setLights(
        evidence,
        run,
        twin === run.part ? 'PWM sink boards' : 'PWM sink boards, LEDs with a common plus',
        { drive: 'sink', part: twin.id },
      )
}

/** Lights on pins that ask more of the board than all its pins and pads give together, its sensors and transistors counted. */
export const boardPinsOver: Judge = (evidence) => {
  const { fit, lit, plan } = evidence
  const onPins = lit.filter(({ settings, peakA }) => isOnPins(settings) && peakA > 0)
  if (fit === undefined || onPins.length === 0) return []
  const { board } = fit
  const lightsA = onPins.reduce((sum, { peakA }) => sum + peakA, 0)
  const basesA = lit.reduce((sum, run) => sum + baseA(run, board), 0)
  const allA = lightsA + basesA + sensorA(plan)
  if (isAtLeast(board.allA, allA)) return []
  const others = [
    ...(basesA > 0 ? [`transistors ${mA(basesA)}`] : []),
    ...(sensorA(plan) > 0 ? [`sensors ${mA(sensorA(plan))}`] : []),
  ]
  // The fewest lines, the hungriest first, that have to leave the pins.
  const leaving: LitRun[] = []
  let restA = allA
  for (const run of onPins.toSorted((a, b) => b.peakA - a.peakA)) {
    if (isAtLeast(board.allA, restA)) break
    // What drives it then takes its base current from a pin.
    restA -= run.peakA - baseA({ ...run, settings: { ...run.settings, ...switched } }, board)
    leaving.push(run)
  }
  const commands = leaving.flatMap((run) => offPins(evidence, run)).flatMap((one) => one.commands)
  return [
    {
      id: 'pins-over',
      code: 'pins-over',
      grade: 'stop',
      about: onPins.map(({ id }) => id),
      text: `${board.name}: ${mA(allA)} from its pins, which give ${mA(board.allA)} in all: ${fewNames(onPins.map(({ id, peakA }) => `${runName(evidence.cutRuns, id)} ${mA(peakA)}`))}${others.length > 0 ? `; ${others.join(', ')}` : ''}`,
      why: 'The board’s own regulator feeds its pins: it sags at once and burns in time.',
      remedies:
        commands.length === 0
          ? []
          : [
              {
                label: `${fewNames(leaving.map(({ id }) => runName(evidence.cutRuns, id)))} by a part of its own`,
                commands,
              },
            ],
    },
  ]
}

/** Driven by a transistor on a pin. */
const switched = { drive: 'switch', by: 'pin', switchWith: 'transistor' } as const

/** What the base of a run's transistor takes from its pin, A. */
const baseA = ({ settings, peakA }: LitRun, board: Board): number =>
  settings.drive === 'switch' &&
  settings.by === 'pin' &&
  settings.switchWith === 'transistor' &&
  peakA > 0
    ? npnSwitch({ loadA: peakA, driveV: board.highV, pinLimitMa: board.pinA * 1000 }).baseMa / 1000
    : 0

/** Single pins that give more than they stand. */
export const lightPinsOver: Judge = (evidence) => {
  const { fit } = evidence
  if (fit === undefined) return []
  const { board } = fit
  return eachLit(evidence, (run, name) => {
    const { settings, stringA, columns } = run
    const perPinA =
      settings.drive === 'pins'
        ? stringA
        : settings.drive === 'matrix'
          ? stringA * (settings.scan === 'row' ? columns : 1)
          : settings.drive === 'charlie'
            ? stringA
            : 0
    if (perPinA === 0 || isAtLeast(board.pinA, perPinA)) return undefined
    return {
      code: 'pin-over',
      grade: 'stop',
      text: `${name}: ${mA(perPinA)} on a pin of the ${board.name}, which gives ${mA(board.pinA)}`,
      why: 'The pin sags at once and burns in time, and with it the board.',
      remedies: offPins(evidence, run),
    }
  })
}

/** Low-side switches that were put into the plus. */
export const switchInPlus: Judge = (evidence) =>
  eachLit(evidence, (run, name) =>
    run.settings.drive !== 'switch' ||
    run.settings.by !== 'pin' ||
    run.settings.switchIn === 'minus'
      ? undefined
      : {
          code: 'switch-in-plus',
          grade: 'stop',
          text: `${name}: the ${run.settings.switchWith} sits in the plus`,
          why: 'There it loses what switches it, stays half open and gets hot. It belongs between the lights and minus, grounds joined.',
          remedies: setLights(evidence, run, 'put it into the minus', { switchIn: 'minus' }),
        },
  )

/** Transistors that ask more of a pin than it gives. */
export const switchDrive: Judge = (evidence) =>
  eachLit(evidence, (run, name) => {
    const { fit } = evidence
    const { settings, peakA } = run
    if (fit === undefined || peakA === 0 || settings.drive !== 'switch' || settings.by !== 'pin')
      return undefined
    if (settings.switchWith === 'mosfet') return undefined
    const { baseMa, pinOk } = npnSwitch({
      loadA: peakA,
      driveV: fit.board.highV,
      pinLimitMa: fit.board.pinA * 1000,
    })
    if (pinOk) return undefined
    return {
      code: 'base-over',
      grade: 'stop',
      text: `${name}: its transistor needs ${formatQuantity(baseMa, 'mA')} of base current, a pin gives ${mA(fit.board.pinA)}`,
      why: 'Half switched on it gets hot and the lights stay dim.',
      remedies: setLights(evidence, run, 'a logic-level MOSFET instead', { switchWith: 'mosfet' }),
    }
  })

/** Matrices that are scanned too slowly, and how dim they get. */
export const matrixFlicker: Judge = (evidence) =>
  eachLit(evidence, (run, name) => {
    const { settings, rows, columns, stringA } = run
    if (settings.drive !== 'matrix') return undefined
    const { refreshHz, flicker, averageMa } = matrixScan({
      rows,
      columns,
      dwellUs: settings.dwellUs,
      peakMa: stringA * 1000,
      scan: settings.scan,
    })
    if (flicker === 'none') return undefined
    const slots = settings.scan === 'led' ? rows * columns : rows
    const dwellUs = Math.floor(1e6 / (slots * 100) / 10) * 10
    return {
      code: 'matrix-flicker',
      grade: flicker === 'visible' ? 'stop' : 'warning',
      text: `${name}: scanned ${formatQuantity(refreshHz, '/s')}, ${flicker === 'visible' ? 'it flickers' : 'it may flicker'}; each LED gets ${formatQuantity(averageMa, 'mA')} on average`,
      why: 'Below 50 a second flicker is seen, below 100 by moving eyes and cameras; a loop that also does other work makes it worse.',
      remedies: [
        ...setLights(evidence, run, 'a driver chip', { drive: 'driver' }),
        ...(dwellUs > 0
          ? setLights(evidence, run, `light each slot for ${String(dwellUs)} µs`, { dwellUs })
          : []),
      ],
    }
  })

/** Outputs of sink boards that are set to more than they hold, or that have too much left to burn. */
export const sinkOver: Judge = (evidence) =>
  eachLit(evidence, (run, name) => {
    if (run.settings.drive !== 'sink' || !run.hasHeadroom) return undefined
    const { setMa, heatW, leastV } = sinkBoards(run)
    const isTooMuch = !isAtLeast(sinkBoard.mostMa, setMa)
    const isDim = !isAtLeast(run.supplyV, leastV)
    if (!isTooMuch && !isDim && isAtLeast(sinkBoard.limitW, heatW)) return undefined
    const given = `of ${volts(run.supplyV)}`
    return {
      code: 'sink-over',
      grade: isTooMuch ? 'stop' : 'warning',
      text: isTooMuch
        ? `${name}: ${formatQuantity(setMa, 'mA')} an output of a sink board, which takes ${String(sinkBoard.mostMa)} mA`
        : isDim
          ? `${name}: the lights and a sink board’s output need ${volts(leastV)} ${given}`
          : `${name}: a full sink board dissipates ${formatQuantity(heatW, 'W')} ${given}, it can dissipate ${formatQuantity(sinkBoard.limitW, 'W')}`,
      why: isTooMuch
        ? 'More than it holds it cannot be set to: the lights stay dimmer, or it dies.'
        : isDim
          ? 'Below that it cannot hold its current, and the lights are dimmer than planned.'
          : 'Whatever the lights leave of the volts becomes heat in the board; a resistor takes it out there.',
      remedies:
        isTooMuch || isDim || run.part.kind === 'fixed'
          ? []
          : setLights(evidence, run, 'a resistor for each group', { resistor: 'each' }),
    }
  })
