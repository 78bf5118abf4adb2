import { inputParts } from '../parts/inputs'
import type { PinAbility } from '../plan/choices'
import type { Board } from '../plan/parts'
import type { Plan } from '../plan/plan'
import type { CutStripRun } from '../cut/cut'
import type { LitRun } from '../load/lights'
import { groupName } from '../load/lit-colours'
import { partNames, type NodeRun } from '../load/nodes'
import { dimmersOf } from './dimmers'
import { charliePins } from './drives'
import { leastCost } from './least-cost'
import type { Lane } from './lanes'

type Pin = Board['pins'][number]

/** What a pin is needed for. */
export type PinPurpose =
  | { readonly kind: 'lane'; readonly lane: string; readonly line: 'data' | 'clock' }
  | { readonly kind: 'dimmer'; readonly dimmer: string; readonly channel: string }
  | { readonly kind: 'light'; readonly run: string; readonly line: LightLine }
  | { readonly kind: 'node'; readonly run: string; readonly line: NodeLine }
  | { readonly kind: 'status'; readonly channel: StatusChannel }
  | { readonly kind: 'input'; readonly input: string; readonly pin: string }

/** One text for each purpose, by which the pins of a plan are looked up. */
export function purposeKey(of: PinPurpose): string {
  switch (of.kind) {
    case 'lane':
      return `lane ${of.line} ${of.lane}`
    case 'dimmer':
      return `dimmer ${of.channel} ${of.dimmer}`
    case 'light':
    case 'node':
      return `${of.kind} ${lineKey(of.line)} ${of.run}`
    case 'status':
      return `status ${of.channel}`
    case 'input':
      return `input ${of.input} ${of.pin}`
  }
}

const lineKey = (line: LightLine | NodeLine): string =>
  line.kind === 'signal'
    ? `signal ${String(line.node)} ${String(line.index)} ${line.part}`
    : 'index' in line
      ? `${line.kind} ${String(line.index)}`
      : line.kind

/** A line from the board to single lights: to one of them, to a row or a column, or to what drives them. */
export type LightLine =
  | { readonly kind: 'light' | 'row' | 'column' | 'between'; readonly index: number }
  | { readonly kind: 'switch' | 'data' | 'clock' | 'load' }

/** A line from nodes to the board: a signal of one of their parts, or the chain of the boards that read them. */
export type NodeLine =
  | {
      readonly kind: 'signal'
      readonly node: number
      readonly part: string
      readonly index: number
    }
  | { readonly kind: 'data' | 'clock' }

const statusChannels = ['red', 'green', 'blue'] as const
export type StatusChannel = (typeof statusChannels)[number]

/** Something that has to be on a pin. */
export interface PinNeed {
  /** Stable while the plan changes. What it is for stands in `of`. */
  readonly id: string
  readonly of: PinPurpose
  /** For people: `Lane 1, data`. */
  readonly name: string
  /** … without whose it is: `data`. */
  readonly line: string
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

/** Everything that needs a pin: data, clock, dimmed channels, single lights, the status light, sensors, nodes. */
export function pinNeeds(
  plan: Plan,
  cutRuns: readonly CutStripRun[],
  lanes: readonly Lane[],
  lit: readonly LitRun[],
  nodes: readonly NodeRun[],
): PinNeed[] {
  const nameOf = new Map(cutRuns.map(({ run }) => [run.id, run.name]))
  const data = lanes.flatMap(({ id, name, data: kind }): PinNeed[] =>
    (kind === 'clocked' ? (['data', 'clock'] as const) : (['data'] as const)).map((line) => ({
      id: `lane.${id}.${line}`,
      of: { kind: 'lane', lane: id, line },
      name: `${name}, ${line}`,
      line,
      must: 'digital',
      isOutput: true,
    })),
  )
  const dimmed = dimmersOf(cutRuns).flatMap(({ name, channels }) =>
    channels.map((channel): PinNeed => ({
      id: `dimmer.${name}.${channel}`,
      of: { kind: 'dimmer', dimmer: name, channel },
      name: channels.length === 1 ? name : `${name}, ${channel}`,
      line: channel,
      must: 'pwm',
      isOutput: true,
    })),
  )
  const inputs = plan.signal.inputs.flatMap(({ id, name, kind }) =>
    inputParts[kind].pins.map((pin): PinNeed => ({
      id: `input.${id}.${pin.name}`,
      of: { kind: 'input', input: id, pin: pin.name },
      name: inputParts[kind].pins.length === 1 ? name : `${name}, ${pin.name}`,
      line: pin.name,
      must: pin.must,
      ...(pin.likes !== undefined && { likes: pin.likes }),
      isOutput: pin.isOutput === true,
    })),
  )
  const lights = lit.flatMap((run): PinNeed[] =>
    lightLines(run).map((line) => {
      const text = lightLineText(line, run)
      return {
        id: `light.${run.id}.${text}`,
        of: { kind: 'light', run: run.id, line },
        name: `${nameOf.get(run.id) ?? ''}, ${text}`,
        line: text,
        must: 'digital',
        // A mix of colours wants each of them dimmed.
        ...(line.kind === 'light' && run.colours.length > 1 && { likes: 'pwm' }),
        isOutput: true,
      }
    }),
  )
  const status = (plan.signal.status.length === 0 ? [] : statusChannels).map(
    (channel): PinNeed => ({
      id: `status.${channel}`,
      of: { kind: 'status', channel },
      name: `status light, ${channel}`,
      line: channel,
      must: 'pwm',
      isOutput: true,
    }),
  )
  return [...data, ...dimmed, ...lights, ...status, ...inputs, ...nodeNeeds(nameOf, nodes)]
}

/** What nodes need of the board: a pin for each of their signals, or two for the boards that read them in a chain. */
const nodeNeeds = (nameOf: ReadonlyMap<string, string>, nodes: readonly NodeRun[]): PinNeed[] =>
  nodes.flatMap(({ id, node, nodes: count, readers, each }): PinNeed[] => {
    const need = (line: NodeLine, text: string, must: PinAbility, isOutput: boolean): PinNeed => ({
      id: `node.${id}.${text}`,
      of: { kind: 'node', run: id, line },
      name: `${nameOf.get(id) ?? ''}, ${text}`,
      line: text,
      must,
      isOutput,
    })
    if (each.channels === 0) return []
    if (readers !== undefined)
      return [
        need({ kind: 'data' }, 'readers’ data', 'digital', false),
        need({ kind: 'clock' }, 'readers’ clock', 'digital', true),
      ]
    const names = partNames(node)
    return node.parts.flatMap((part) => {
      const perNode = part.count * part.channels
      return Array.from({ length: perNode * count }, (_, at) =>
        need(
          { kind: 'signal', node: Math.floor(at / perNode), part: part.id, index: at % perNode },
          `${names.get(part.id) ?? part.name} ${String(at + 1)}`,
          part.reads,
          false,
        ),
      )
    })
  })

/** What a line to single lights is called: `light 3`, `row 1`, `data`. */
const lightLineText = (line: LightLine, run: LitRun): string =>
  line.kind === 'light'
    ? groupName(run, line.index)
    : 'index' in line
      ? `${line.kind === 'between' ? 'pin' : line.kind} ${String(line.index + 1)}`
      : line.kind

const numbered = (kind: 'light' | 'row' | 'column' | 'between', count: number): LightLine[] =>
  Array.from({ length: count }, (_, index) => ({ kind, index }))

/** What single lights need of the board, by how they are driven. */
function lightLines({ settings, strings, rows, columns, lights }: LitRun): LightLine[] {
  switch (settings.drive) {
    case 'always':
      return []
    case 'switch':
      return settings.by === 'pin' ? [{ kind: 'switch' }] : []
    case 'pins':
      return numbered('light', strings)
    case 'sink':
      return [{ kind: 'data' }, { kind: 'clock' }]
    case 'matrix':
      return [...numbered('row', rows), ...numbered('column', columns)]
    case 'charlie':
      return numbered('between', charliePins(lights))
    case 'driver':
      return [{ kind: 'data' }, { kind: 'clock' }, { kind: 'load' }]
  }
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
  if (pin.highV !== undefined) cost += need.of.kind === 'lane' ? -costs.disliked : costs.disliked
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
  const taken = new Set<Pin>()
  for (const need of needs) {
    const pin = board.pins.find(({ name }) => name === wanted.get(need.id))
    if (pin === undefined || taken.has(pin)) continue
    fixed.set(need.id, pin)
    taken.add(pin)
  }
  const free = board.pins.filter((pin) => !taken.has(pin))
  const open = firstOfEachKind(
    needs.filter(({ id }) => !fixed.has(id)),
    free.length,
  )
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

/** Needs for which every pin costs the same: no more of a kind than there are pins can get one, so the rest need not be looked at. */
function firstOfEachKind(needs: readonly PinNeed[], most: number): PinNeed[] {
  const counts = new Map<string, number>()
  return needs.filter(({ must, likes, isOutput, of }) => {
    const kind = [must, likes, isOutput, of.kind === 'lane'].join()
    const count = (counts.get(kind) ?? 0) + 1
    counts.set(kind, count)
    return count <= most
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
  if (pin.highV !== undefined && need.of.kind === 'lane')
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
