import type { CutStripRun } from '../cut/cut'
import { isOnWire } from '../cut/on-wire'
import { jumpersOf, jumperWayMm } from '../cut/pads'
import type { LitColour, LitRun } from '../load/lights'
import type { Plan } from '../plan/plan'
import { operand, working, type Figure, type Working } from '../quantity/figure'
import { sinkBoard } from '../parts/drivers'
import { formatQuantity, plain, plural, rounded } from '../quantity/format'
import { gateOhm } from '../route/switch-resistor'
import { groupCount } from '../load/lit-colours'
import { charliePins, matrixScan, npnSwitch, sinkBoards } from '../lanes/drives'
import type { JudgedPlan } from '../verdict/judged-plan'

/** Single lights: what stands before them, what they draw, and what drives them. */
export function lightFigures({
  plan,
  cutRuns,
  lit,
  fit,
}: Pick<JudgedPlan, 'plan' | 'cutRuns' | 'lit' | 'fit'>): Figure[] {
  const runOf = new Map(lit.map((run) => [run.id, run]))
  return cutRuns
    .filter(({ run }) => run.lights.length > 0)
    .flatMap((entry): Figure[] => {
      const { run } = entry
      const own = runOf.get(run.id)
      const about = [run.id]
      if (isOnWire(entry)) return [onWireFigure(entry)]
      if (own === undefined)
        return [
          {
            id: `lights.${run.id}`,
            label: run.name,
            value: run.lights.length,
            unit: 'lights',
            operation: '',
            operands: [],
            rule: 'choose what hangs there: until then they draw nothing in these sums',
            about,
          },
        ]
      return [
        {
          id: `lights.${run.id}`,
          label: `${run.name}, ${own.part.name}`,
          value: own.peakA,
          unit: 'A',
          ...litWorking(own),
          rule: `${String(own.lights)} lights${own.settings.inSeries > 1 ? `, ${String(own.settings.inSeries)} in series` : ''}`,
          about,
        },
        ...own.colours.flatMap((colour) => resistorFigure(plan, run.name, own, colour, about)),
        ...driveFigures(run.name, own, fit?.board, about),
      ]
    })
}

/** What single lights draw: so many at a time, each the sum of its colours. */
function litWorking(run: LitRun): Working {
  const { colours, peakA, stringA } = run
  const eachMa = colours.map((colour) =>
    operand(colour.name || 'each', colour.stringA * 1000, 'mA'),
  )
  const allA = colours.reduce((sum, colour) => sum + colour.stringA, 0)
  const groups = groupCount(run)
  // Of a matrix one, or a row, is lit at a time.
  const atOnce = allA > 0 ? Math.round(peakA / allA) : groups
  const count = operand(atOnce === groups ? 'groups' : 'at a time', atOnce)
  if (eachMa.length === 1 || atOnce === 0)
    return working`${operand(count.name, Math.max(1, atOnce))} × ${operand('each', stringA * 1000, 'mA')}`
  return {
    operation: `{0} × (${eachMa.map((_, index) => `{${String(index + 1)}}`).join(' + ')})`,
    operands: [count, ...eachMa],
  }
}

/** Strings of pixel nodes, or what is cut off them. */
function onWireFigure({ run, strip, groups, pieces }: CutStripRun): Figure {
  const common = {
    id: `lights.${run.id}`,
    value: pieces.length,
    unit: '' as const,
    about: [run.id],
  }
  const wired = jumpersOf({ run, strip, pieces }).filter(
    (jumper) => jumperWayMm(jumper) !== undefined,
  ).length
  if (wired > 0)
    return {
      ...common,
      label: `${run.name}, lengths cut off strings of pixel nodes`,
      ...working`${operand('wired on', wired)} + ${operand('first or plugged on', pieces.length - wired)}`,
      rule: `${plural(groups, 'pixel')} of ${strip.name}, wire soldered in where it is too short`,
    }
  return {
    ...common,
    label: `${run.name}, strings of pixel nodes`,
    ...working`${operand('pixels', groups)} ÷ ${operand('a string', strip.nodesPerString ?? 1)}`,
    rule: `${strip.name}, plugged end to end`,
  }
}

function resistorFigure(
  plan: Plan,
  name: string,
  run: LitRun,
  { name: colour, resistor, resistors, stringA, volts, mA }: LitColour,
  about: readonly string[],
): Figure[] {
  if (resistor === undefined) return []
  const { id, settings, supplyV } = run
  const at = (ohm: number): string =>
    formatQuantity((stringA * 1000 * resistor.pickOhm) / ohm, 'mA')
  const band = `${at(resistor.highOhm)} to ${at(resistor.lowOhm)} each with ±${formatQuantity(plan.rules.tolerance, '%')}`
  const wantedA = (mA / 1000) * (resistors === 1 ? groupCount(run) : 1)
  // The outputs of a sink board keep some of the volts.
  const givenV = settings.drive === 'sink' ? supplyV - sinkBoard.dropV : supplyV
  return [
    {
      id: `resistor.${id}${colour === '' ? '' : `.${colour}`}`,
      label: `${String(resistors)} × resistor of ${name}${colour === '' ? '' : `, ${colour}`}`,
      value: resistor.pickOhm,
      unit: 'Ω',
      ...working`(${operand('supply', givenV, 'V')} − ${operand('in series', settings.inSeries)} × ${operand('forward', volts, 'V')}) ÷ ${operand('current', wantedA, 'A')}`,
      rule: `next value of ${plan.rules.eSeries} up; ${band}; dissipates ${rounded(resistor.powerW * 1000, 0)} mW, take ${resistor.ratingW === null ? 'several' : `${plain(resistor.ratingW)} W`}`,
      about,
    },
  ]
}

function driveFigures(
  name: string,
  own: LitRun,
  board: { readonly highV: number; readonly pinA: number } | undefined,
  about: readonly string[],
): Figure[] {
  const { settings, rows, columns, stringA, peakA, strings, lights } = own
  switch (settings.drive) {
    case 'switch': {
      if (settings.by !== 'pin' || board === undefined || peakA === 0) return []
      if (settings.switchWith === 'mosfet')
        return [
          {
            id: `drive.${own.id}`,
            label: `gate resistor of ${name}`,
            value: gateOhm,
            unit: 'Ω',
            operation: '',
            operands: [],
            rule: 'a logic-level MOSFET that is fully on at the pin’s volts; 100 kΩ from gate to minus',
            about,
          },
        ]
      const { baseOhm, baseMa } = npnSwitch({
        loadA: peakA,
        driveV: board.highV,
        pinLimitMa: board.pinA * 1000,
      })
      return [
        {
          id: `drive.${own.id}`,
          label: `base resistor of ${name}`,
          value: baseOhm,
          unit: 'Ω',
          ...working`(${operand('pin', board.highV, 'V')} − 0.75 V) ÷ ${operand('base', baseMa, 'mA')}`,
          rule: 'in the minus, grounds joined',
          about,
        },
      ]
    }
    case 'sink': {
      const { boards, outputsLeft, setMa, leastV, heatW } = sinkBoards(own)
      return [
        {
          id: `drive.${own.id}`,
          label: `PWM sink boards of ${name}`,
          value: boards,
          unit: '',
          ...working`${operand('groups', strings)} ÷ ${operand('outputs', sinkBoard.outputs)}`,
          rule: `${plural(outputsLeft, 'output is', 'outputs are')} left; in a chain on two pins`,
          about,
        },
        {
          id: `sink-set.${own.id}`,
          label: 'each output is set to',
          value: setMa,
          unit: 'mA',
          operation: '',
          operands: [],
          rule: `all ${String(sinkBoard.outputs)} of a board alike, at most ${String(sinkBoard.mostMa)} mA`,
          about,
        },
        {
          id: `sink-supply.${own.id}`,
          label: 'its supply gives at least',
          value: leastV,
          unit: 'V',
          ...working`${operand('lights', leastV - sinkBoard.dropV, 'V')} + ${operand('output', sinkBoard.dropV, 'V')}`,
          rule: `at ${formatQuantity(own.supplyV, 'V')} a full board dissipates ${formatQuantity(heatW, 'W')} of the ${formatQuantity(sinkBoard.limitW, 'W')} that it can dissipate`,
          about,
        },
      ]
    }
    case 'matrix': {
      const { pins, averageMa, refreshHz, duty } = matrixScan({
        rows,
        columns,
        dwellUs: settings.dwellUs,
        peakMa: stringA * 1000,
        scan: settings.scan,
      })
      return [
        {
          id: `drive.${own.id}`,
          label: `${name} is scanned`,
          value: refreshHz,
          unit: '/s',
          ...working`${operand('rows', rows)} × ${operand('columns', columns)} on ${operand('pins', pins)} pins`,
          rule: `${settings.scan === 'row' ? 'row by row' : 'LED by LED'}, each slot ${String(settings.dwellUs)} µs`,
          about,
        },
        {
          id: `mean.${own.id}`,
          label: `each LED of ${name} on average`,
          value: averageMa,
          unit: 'mA',
          ...working`${operand('while lit', stringA * 1000, 'mA')} × ${operand('lit', duty, '%')}`,
          about,
        },
      ]
    }
    case 'charlie': {
      const pins = charliePins(lights)
      return [
        {
          id: `drive.${own.id}`,
          label: `pins of ${name}`,
          value: pins,
          unit: '',
          ...working`${operand('pins', pins)} × ${operand('others', pins - 1)} = ${operand('LEDs at most', pins * (pins - 1))}`,
          rule: 'each LED between two pins; one at a time, the fewest pins there are',
          about,
        },
      ]
    }
    default:
      return []
  }
}
