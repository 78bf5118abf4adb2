import { operand, working, type Figure } from '../quantity/figure'
import { plural } from '../quantity/format'
import { sensorA } from '../lanes/boards'
import { dataTiming, laneTiming } from '../lanes/timing'
import type { JudgedPlan } from '../verdict/judged-plan'
import { sumOf } from './total'

/** The margin of each lane's first pixel, with what it is made of. */
export const levelFigures = ({ signal, lanes }: Pick<JudgedPlan, 'signal' | 'lanes'>): Figure[] =>
  lanes.flatMap(({ id, name, runs }): Figure[] => {
    const level = signal.levels.get(id)
    const about = runs.slice(0, 1).map(({ entry }) => entry.run.id)
    return (level?.hops ?? []).map(({ name: hop, highV, riseV, chipV, marginV }, index) => ({
      id: `level.${id}.${String(index)}`,
      label: `${name}, ${hop}`,
      value: marginV,
      unit: 'V',
      ...(Math.abs(riseV) < 0.0005
        ? working`${operand('high', highV, 'V')} − 0.7 × ${operand('at the first pixel', chipV, 'V')}`
        : working`${operand('high', highV, 'V')} − ${operand('ground offset', riseV, 'V')} − 0.7 × ${operand('at the first pixel', chipV, 'V')}`),
      rule: 'at full white, solved; 0.3 V is good',
      about,
    }))
  })

/** How long a frame takes on each lane. */
export const timingFigures = ({ lanes }: Pick<JudgedPlan, 'lanes'>): Figure[] =>
  lanes.map((lane) => {
    const { bitRateKhz, resetUs } = dataTiming[lane.data]
    const timing = laneTiming(lane)
    return {
      id: `frame.${lane.id}`,
      label: `${lane.name}, ${String(Math.floor(timing.framesPerSecond))} frames a second`,
      value: timing.frameMs,
      unit: 'ms',
      ...working`${operand('numbered', lane.pixels, 'px')} × ${operand('each', (lane.bitsPerPixel / bitRateKhz) * 1000, 'µs')} + ${operand('pause', resetUs, 'µs')}`,
      about: lane.runs.map(({ entry }) => entry.run.id),
    }
  })

/** What the board has to hold and to give. */
export function boardFigures({
  fit,
  lanes,
  plan,
}: Pick<JudgedPlan, 'fit' | 'lanes' | 'plan'>): Figure[] {
  if (fit === undefined) return []
  const { board, pins, memory } = fit
  const sensors = sensorA(plan)
  return [
    {
      id: 'pins',
      label: `pins of the ${board.name}`,
      value: pins.length,
      unit: '',
      ...working`${operand('pins', board.pins.length)} it has`,
      about: [],
    },
    ...(lanes.length === 0
      ? []
      : [
          {
            id: 'memory',
            label: 'memory for the pixels',
            value: memory.needBytes,
            unit: 'bytes' as const,
            ...working`of ${operand('left by the program', memory.freeBytes, 'bytes')}`,
            about: [],
          },
        ]),
    {
      id: 'board-draw',
      label: 'board and sensors draw',
      value: board.drawA + sensors,
      unit: 'A',
      ...working`${operand('board', board.drawA * 1000, 'mA')} + ${operand('sensors', sensors * 1000, 'mA')}`,
      rule: 'all the time; in its supply’s load',
      about: [],
    },
  ]
}

/** Wire by gauge and colour. */
export function wireFigures({ wiring: circuit }: Pick<JudgedPlan, 'wiring'>): Figure[] {
  if (circuit.wires.length === 0) return []
  const groups = new Map<string, { label: string; count: number; mm: number }>()
  for (const { gauge, colour, lengthMm } of circuit.wires) {
    const label = `${gauge.name} ${colour}`
    const known = groups.get(label) ?? { label, count: 0, mm: 0 }
    groups.set(label, { label, count: known.count + 1, mm: known.mm + lengthMm })
  }
  const figures = [...groups.values()].map(({ label, count, mm }): Figure => ({
    id: `wires.${label}`,
    label,
    value: mm / 1000,
    unit: 'm',
    ...working`${operand('wires', count)} × ${operand('on average', mm / count, 'mm')}`,
    about: [],
  }))
  return [...figures, sumOf('wires.total', plural(circuit.wires.length, 'wire'), 'm', figures)]
}

const kindName = {
  screw: 'screws',
  solder: 'soldered',
  'in-line': 'in a wire',
  pad: 'pad on pad',
  plug: 'plugged',
} as const

/** All joints by their kind. */
export function jointFigures({ joints: wireJoints }: Pick<JudgedPlan, 'joints'>): Figure[] {
  const kinds = [...new Set(wireJoints.map(({ kind }) => kind))]
  if (kinds.length === 0) return []
  const figures = kinds.map((kind): Figure => {
    const own = wireJoints.filter((joint) => joint.kind === kind)
    const all = own.reduce((sum, joint) => sum + joint.minutes, 0)
    return {
      id: `joints.${kind}`,
      label: kindName[kind],
      value: all,
      unit: 'min',
      ...working`${operand('joints', own.length)} × ${operand('on average', all / own.length, 'min')}`,
      about: [],
    }
  })
  return [...figures, sumOf('joints.total', plural(wireJoints.length, 'joint'), 'min', figures)]
}
