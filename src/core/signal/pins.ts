import { inputParts } from '../parts/inputs'
import type { PinAbility } from '../plan/choices'
import type { Board } from '../plan/parts'
import type { Plan } from '../plan/plan'
import type { CutStripRun } from '../cut/cut'
import type { LitRun } from '../load/lights'
import type { NodeRun } from '../load/nodes'
import { charliePins } from './drives'
import { leastCost } from './least-cost'
import type { Lane } from './lanes'

type Pin = Board['pins'][number]

/** Something that has to be on a pin. */
export interface PinNeed {
  /** Stable while the plan changes: `lane.a.data`, `input.k3v9.OUT`, `dimmer.rails.white`. */
  readonly id: string
  /** Whose it is: a lane, a sensor, a dimmer. */
  readonly of: string
  readonly name: string
  readonly must: PinAbility
  readonly likes?: PinAbility
  readonly isOutput: boolean
}

/** A need with the pin that it gets, and why that one. */
export interface PinUse {
  readonly need: PinNeed
  /** `undefined` where none is left. */
  readonly pin: Pin | undefined
  readonly reason: string
  readonly isChosen: boolean
  /** The pin cannot do what is needed of it: only where the user chose it. */
  readonly isWrongKind: boolean
  /** It is also used for loading programs, or read when the board starts. */
  readonly isDisturbed: boolean
}

/** Everything that needs a pin: data, clock, dimmed channels, sensors. */
export function pinNeeds(
  plan: Plan,
  cuts: readonly CutStripRun[],
  lanes: readonly Lane[],
  lit: readonly LitRun[] = [],
  nodes: readonly NodeRun[] = [],
): PinNeed[] {
  const data = lanes.flatMap(({ id, name, data }): PinNeed[] =>
    (data === 'clocked' ? ['data', 'clock'] : ['data']).map((line) => ({
      id: `lane.${id}.${line}`,
      of: id,
      name: `${name}, ${line}`,
      must: 'digital',
      isOutput: true,
    })),
  )
  const dimmed = dimmersOf(cuts).flatMap(({ name, channels }) =>
    channels.map((channel): PinNeed => ({
      id: `dimmer.${name}.${channel}`,
      of: name,
      name: channels.length === 1 ? name : `${name}, ${channel}`,
      must: 'pwm',
      isOutput: true,
    })),
  )
  const inputs = plan.signal.inputs.flatMap(({ id, name, kind }) =>
    inputParts[kind].pins.map((pin): PinNeed => ({
      id: `input.${id}.${pin.name}`,
      of: id,
      name: inputParts[kind].pins.length === 1 ? name : `${name}, ${pin.name}`,
      must: pin.must,
      ...(pin.likes !== undefined && { likes: pin.likes }),
      isOutput: pin.name === 'TRIG' || pin.name === 'EMIT',
    })),
  )
  const lights = lit.flatMap((run): PinNeed[] => {
    const name = cuts.find((entry) => entry.run.id === run.id)?.run.name ?? ''
    return lightPins(run).map((line) => ({
      id: `light.${run.id}.${line}`,
      of: run.id,
      name: `${name}, ${line}`,
      must: 'digital',
      isOutput: true,
    }))
  })
  const status = (plan.signal.status.length === 0 ? [] : ['red', 'green', 'blue']).map(
    (channel): PinNeed => ({
      id: `status.${channel}`,
      of: 'status',
      name: `status light, ${channel}`,
      must: 'pwm',
      isOutput: true,
    }),
  )
  return [...data, ...dimmed, ...lights, ...status, ...inputs, ...nodeNeeds(cuts, nodes)]
}

/** What nodes need of the board: a pin for each of their signals, or two for the boards that read them in a chain. */
const nodeNeeds = (cuts: readonly CutStripRun[], nodes: readonly NodeRun[]): PinNeed[] =>
  nodes.flatMap(({ id, node, nodes: count, readers, each }): PinNeed[] => {
    const name = cuts.find(({ run }) => run.id === id)?.run.name ?? ''
    const need = (line: string, must: PinAbility, isOutput: boolean): PinNeed => ({
      id: `node.${id}.${line}`,
      of: id,
      name: `${name}, ${line}`,
      must,
      isOutput,
    })
    if (each.channels === 0) return []
    if (readers !== undefined)
      return [need('readers’ data', 'digital', false), need('readers’ clock', 'digital', true)]
    return node.parts.flatMap((part) =>
      numbered(part.name, part.count * part.channels * count).map((line) =>
        need(line, part.reads, false),
      ),
    )
  })

const numbered = (word: string, count: number): string[] =>
  Array.from({ length: count }, (_, index) => `${word} ${String(index + 1)}`)

/** What single lights need of the board, by how they are driven. */
function lightPins({ settings, strings, rows, columns, lights }: LitRun): string[] {
  switch (settings.drive) {
    case 'always':
      return []
    case 'switch':
      return settings.by === 'pin' ? ['switch'] : []
    case 'pins':
      return numbered('light', strings)
    case 'sink':
      return ['data', 'clock']
    case 'matrix':
      return [...numbered('row', rows), ...numbered('column', columns)]
    case 'charlie':
      return numbered('pin', charliePins(lights))
    case 'driver':
      return ['data', 'clock', 'load']
  }
}

/** What is switched in its minus: plain strips that dim together, or single lights. */
export interface Dimmer {
  readonly name: string
  /** What does it. */
  readonly detail: string
  readonly channels: readonly string[]
  readonly runs: readonly CutStripRun[]
  /** Which need of a pin works a channel; `undefined` where a button does. */
  readonly needOf: (channel: string) => string | undefined
}

export function dimmersOf(cuts: readonly CutStripRun[], lit: readonly LitRun[] = []): Dimmer[] {
  const byName = new Map<string, CutStripRun[]>()
  for (const entry of cuts) {
    const { dimmer } = entry.run.line
    if (dimmer === undefined || entry.cuts === 0 || entry.strip.light.kind !== 'plain') continue
    byName.set(dimmer, [...(byName.get(dimmer) ?? []), entry])
  }
  const dimmed = [...byName].map(([name, runs]): Dimmer => {
    const channels = [
      ...new Set(runs.flatMap(({ strip }) => strip.light.channels.map((channel) => channel.name))),
    ]
    return {
      name,
      runs,
      channels,
      detail: `${channels.length === 1 ? 'one MOSFET' : `${String(channels.length)} MOSFETs`} in the minus`,
      needOf: (channel) => `dimmer.${name}.${channel}`,
    }
  })
  const switched = lit.flatMap(({ id, settings }): Dimmer[] => {
    const entry = cuts.find(({ run }) => run.id === id)
    if (settings.drive !== 'switch' || entry === undefined) return []
    const isPin = settings.by === 'pin'
    return [
      {
        name: `${entry.run.name} switch`,
        runs: [entry],
        channels: ['light'],
        detail: `${isPin ? `a ${settings.switchWith === 'mosfet' ? 'MOSFET' : 'transistor'}` : 'a button'} in the ${settings.switchIn}`,
        needOf: () => (isPin ? `light.${id}.switch` : undefined),
      },
    ]
  })
  return [...dimmed, ...switched]
}

/** What a pin that is used for something costs, against the others; the figures only order them. */
const costs = {
  /** A need left without a pin. */
  none: 1e6,
  disturbed: 1000,
  disliked: 20,
  /** An ability that something else may want. */
  wasted: { pwm: 3, analogue: 3, interrupt: 2 },
} as const

const canDo = ({ can }: Pin, { must, isOutput }: PinNeed): boolean =>
  can.includes(must) && !can.includes(isOutput ? 'input-only' : 'output-only')

const isDisturbed = ({ can }: Pin): boolean => can.includes('serial') || can.includes('boot')

function costOf(pin: Pin, need: PinNeed, at: number): number {
  if (!canDo(pin, need)) return Infinity
  const wanted = [need.must, need.likes]
  let cost = at / 1000
  if (isDisturbed(pin)) cost += costs.disturbed
  if (need.likes !== undefined && !pin.can.includes(need.likes)) cost += costs.disliked
  // A louder output serves data; anything else leaves it free.
  if (pin.highV !== undefined)
    cost += need.id.startsWith('lane.') ? -costs.disliked : costs.disliked
  for (const [ability, waste] of Object.entries(costs.wasted))
    if (pin.can.includes(ability as PinAbility) && !wanted.includes(ability as PinAbility))
      cost += waste
  return cost
}

/**
 * Gives every need a pin: those that the user chose first, then as many as can be, by what each pin can do, serial and boot pins last.
 */
export function assignPins(
  board: Board,
  needs: readonly PinNeed[],
  chosen: Plan['signal']['pins'] = [],
): PinUse[] {
  const wanted = new Map(chosen.map(({ need, pin }) => [need, pin]))
  const fixed = new Map<string, Pin>()
  for (const need of needs) {
    const pin = board.pins.find(({ name }) => name === wanted.get(need.id))
    if (pin !== undefined && ![...fixed.values()].includes(pin)) fixed.set(need.id, pin)
  }
  const taken = new Set(fixed.values())
  const free = board.pins.filter((pin) => !taken.has(pin))
  const open = needs.filter(({ id }) => !fixed.has(id))
  const found = leastCost(
    open.map((need) => free.map((pin, at) => costOf(pin, need, at))),
    costs.none,
  )
  const given = new Map(open.map((need, index) => [need.id, free[found[index] ?? -1]]))
  return needs.map((need): PinUse => {
    const own = fixed.get(need.id)
    const pin = own ?? given.get(need.id)
    return {
      need,
      pin,
      reason: reasonFor(need, pin, own !== undefined),
      isChosen: own !== undefined,
      isWrongKind: pin !== undefined && !canDo(pin, need),
      isDisturbed: pin !== undefined && isDisturbed(pin),
    }
  })
}

const abilityText: Readonly<Record<PinAbility, string>> = {
  digital: 'digital',
  pwm: 'PWM',
  analogue: 'analogue',
  interrupt: 'interrupt',
  'input-only': 'input only',
  'output-only': 'output only',
  serial: 'serial',
  boot: 'read at start',
}

/** What a pin can do, for people: `digital, PWM, serial`. */
export const abilitiesText = ({ can }: Pick<Pin, 'can'>): string =>
  can.map((ability) => abilityText[ability]).join(', ')

function reasonFor(need: PinNeed, pin: Pin | undefined, isChosen: boolean): string {
  const must = abilityText[need.must]
  if (pin === undefined) return `no ${must} pin is left`
  if (isChosen) return canDo(pin, need) ? 'chosen by you' : `chosen by you, but it is not ${must}`
  if (isDisturbed(pin)) return `only a ${pin.can.includes('boot') ? 'boot' : 'serial'} pin is left`
  if (pin.highV !== undefined && need.id.startsWith('lane.'))
    return `its high is ${String(pin.highV)} V`
  if (need.likes !== undefined && pin.can.includes(need.likes))
    return `${must} with ${abilityText[need.likes]}`
  const spared = (['pwm', 'analogue'] as const).filter(
    (ability) => need.must !== ability && !pin.can.includes(ability),
  )
  return spared.length === 0
    ? `first free ${must} pin`
    : `plain ${must}: keeps ${spared.map((ability) => abilityText[ability]).join(' and ')} free`
}
