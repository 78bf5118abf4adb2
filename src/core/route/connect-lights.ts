import type { CutStripRun } from '../cut/cut'
import type { LightLine } from '../lanes/pins'
import type { LitRun } from '../load/lights'
import { groupName } from '../load/lit-colours'
import { inputParts } from '../parts/inputs'
import { wireOf } from '../parts/wires'
import { partNames } from '../load/nodes'
import type { WireRole } from '../plan/choices'
import { operand, working } from '../quantity/figure'
import type { Cable, CableCore, RoutedWire, Terminal } from './circuit'
import type { RouteContext } from './route-context'
import { beside, blockId, way, type Harness, type WireLength } from './harness'
import { homeLights, homeOf } from './home'

// What hangs on the board's pins or beside it besides data: single lights, nodes, the status light, sensors.

/** The board's common minus and plus for what hangs on its pins. */
const commonAt = (harness: Harness, sign: '+' | '−'): Terminal =>
  harness.at(
    blockId.board,
    `${sign} sensors`,
    sign === '+' ? 'plus' : 'minus',
    { kind: 'output', to: 'others' },
    sign,
  )

/** Wires home of single lights, and from the board to what drives them; gives back the cables. */
export function addLights(context: RouteContext): Cable[] {
  const cables: Cable[] = []
  for (const entry of context.cuts) {
    const lit = context.litOf.get(entry.run.id)
    const home = homeOf(entry, lit)
    if (home === 'hub') addHub(context, entry, lit)
    if (home !== undefined && (home === 'hub' || context.fit !== undefined))
      cables.push(...addWiresHome(context, entry, lit, home, cables.length))
    if (lit !== undefined && home !== 'pins' && context.fit !== undefined)
      addDriveWires(context, entry, lit, home === 'hub')
  }
  return cables
}

function addHub(
  { harness, fit }: RouteContext,
  { run }: CutStripRun,
  lit: LitRun | undefined,
): void {
  const isSink = lit?.settings.drive === 'sink'
  harness.block(blockId.hub(run.id), {
    of: { kind: 'hub', run: run.id },
    name: `${run.name}, wires home`,
    detail: isSink
      ? 'PWM sink boards'
      : fit === undefined
        ? 'terminal strip'
        : 'terminal strip beside the board',
    about: [run.id],
  })
}

/** A wire home from each group in series, and one in each cable that all of it have in common. */
function addWiresHome(
  { harness, plan, sources, lightAt, pinFor }: RouteContext,
  entry: CutStripRun,
  lit: LitRun | undefined,
  home: 'pins' | 'hub',
  cablesBefore: number,
): Cable[] {
  const { run } = entry
  const own = homeLights(entry, lit)
  const colours = lit?.colours.length ?? 1
  const cores = plan.rules.cableWires - 1
  // All wires of a light go in one cable, where it has that many.
  const perCable = Math.max(1, cores - (cores % colours))
  const isSink = lit?.settings.drive === 'sink'
  const role: WireRole = home === 'pins' || isSink ? 'signal' : 'plus'
  const hasPlus = isSink || lit?.part.legs?.common === 'plus'
  const [commonSign, commonRole] = hasPlus ? (['+', 'plus'] as const) : (['−', 'minus'] as const)
  const block = blockId.run(run.id)
  const lengths = own.map((light) => way(plan, sources.controller, lightAt(run.id, light), run))
  const cables: Cable[] = []
  for (let from = 0; from < own.length; from += perCable) {
    const lights = own.slice(from, from + perCable)
    const name = `C${String(cablesBefore + cables.length + 1)}`
    const longest = lengths
      .slice(from, from + perCable)
      .reduce((most, length) => (length.lengthMm > most.lengthMm ? length : most))
    const common = {
      gauge: wireOf(plan.wiring.dataWire),
      bundle: `home.${run.id}.${name}`,
      about: [run.id],
      home: run.id,
    }
    const core = (number: number): CableCore => ({ cable: name, core: number })
    lights.forEach((light, index) => {
      const name =
        lit === undefined ? `light ${String(from + index + 1)}` : groupName(lit, from + index)
      harness.wire({
        ...common,
        role,
        from:
          home === 'pins'
            ? pinFor(
                { kind: 'light', run: run.id, line: { kind: 'light', index: from + index } },
                name,
                role,
              )
            : harness.at(blockId.hub(run.id), name.replace('light ', ''), role, {
                kind: 'pin',
                side: 'out',
              }),
        to: harness.at(block, name, role, { kind: 'light', light }),
        ...(lengths[from + index] ?? longest),
        cable: core(index + 1),
      })
    })
    harness.wire({
      ...common,
      role: commonRole,
      from:
        home === 'pins'
          ? commonAt(harness, commonSign)
          : harness.at(
              blockId.hub(run.id),
              `${commonSign} ${name}`,
              commonRole,
              { kind: 'pin', side: 'out' },
              commonSign,
            ),
      to: harness.at(block, `${commonSign} ${name}`, commonRole, {
        kind: 'light',
        light: lights[0] ?? 0,
      }),
      ...longest,
      rule: 'as long as the longest of its cable',
      cable: core(lights.length + 1),
    })
    cables.push({ name, run: run.id, cores: lights.length + 1, lengthMm: longest.lengthMm })
  }
  return cables
}

/** Wires from the board's pins to rows and columns of lights, or to what drives them. */
function addDriveWires(
  { harness, plan, sources, fit, lightAt }: RouteContext,
  { run }: CutStripRun,
  lit: LitRun,
  hasHub: boolean,
): void {
  if (lit.settings.drive === 'switch') return
  const block = hasHub ? blockId.hub(run.id) : blockId.run(run.id)
  for (const { need, pin } of fit?.pins ?? []) {
    if (need.of.kind !== 'light' || need.of.run !== run.id) continue
    const light = nearestLight(need.of.line, lit)
    harness.wire({
      role: 'signal',
      from: harness.at(blockId.board, pin?.name ?? need.line, 'signal', { kind: 'pin' }),
      to: harness.at(
        block,
        need.line,
        'signal',
        hasHub ? { kind: 'pin', side: 'in' } : { kind: 'light', light },
      ),
      gauge: wireOf(plan.wiring.dataWire),
      ...(hasHub ? beside : way(plan, sources.controller, lightAt(run.id, light))),
      bundle: `lights.${run.id}`,
      about: [run.id],
    })
  }
}

/** The light that a line from the board comes to first. */
const nearestLight = (line: LightLine, { columns }: LitRun): number =>
  line.kind === 'row' ? line.index * columns : line.kind === 'column' ? line.index : 0

/** Wires of nodes: signals, plus and minus of each, to the board or to the boards that read them. */
export function addNodes(context: RouteContext): void {
  const { harness, plan, nodes, sources, fit, lightAt, entryOf } = context
  const gauge = wireOf(plan.wiring.dataWire)
  for (const { id, node, nodes: count, readers, each } of nodes) {
    if (each.wires === 0 && each.channels === 0) continue
    const name = entryOf.get(id)?.run.name ?? ''
    const isHub = readers !== undefined || fit === undefined
    const hub = `${blockId.hub(id)}.nodes`
    if (isHub)
      harness.block(hub, {
        of: { kind: 'hub', run: id },
        name: `${name}, nodes`,
        detail:
          readers === undefined ? 'terminal strip' : `${String(readers.boards)} reading boards`,
        about: [id],
      })
    const names = partNames(node)
    const common = { gauge, about: [id] }
    const end = (key: string, role: WireRole): Terminal =>
      isHub
        ? harness.at(hub, key, role, { kind: 'pin', side: 'out' })
        : commonAt(harness, role === 'plus' ? '+' : '−')
    for (let index = 0; index < count; index += 1) {
      const length = way(plan, sources.controller, lightAt(id, index), {
        dropMm: entryOf.get(id)?.run.dropMm ?? 0,
      })
      for (const part of node.parts)
        for (let one = 0; one < part.count; one += 1)
          for (const [at, role] of rolesOf(part).entries()) {
            const key = `node ${String(index + 1)} ${names.get(part.id) ?? part.name}${part.count > 1 ? ` ${String(one + 1)}` : ''} ${role}${role === 'signal' && part.channels > 1 ? ` ${String(at + 1)}` : ''}`
            const signal = one * part.channels + at
            harness.wire({
              ...common,
              role,
              from:
                role === 'signal' && !isHub
                  ? context.pinFor(
                      {
                        kind: 'node',
                        run: id,
                        line: { kind: 'signal', node: index, part: part.id, index: signal },
                      },
                      key,
                      role,
                    )
                  : end(role === 'signal' ? key : role === 'plus' ? '+ nodes' : '− nodes', role),
              to: harness.at(blockId.run(id), key, role, { kind: 'light', light: index }),
              ...length,
              bundle: `node.${id}.${String(index)}`,
              home: id,
            })
          }
    }
    if (readers === undefined || fit === undefined) continue
    // The reading boards stand beside the plan's board, in a chain on two of its pins.
    for (const [sign, role] of [
      ['+', 'plus'],
      ['−', 'minus'],
    ] as const)
      harness.wire({
        ...common,
        role,
        from: commonAt(harness, sign),
        to: harness.at(hub, sign, role, { kind: 'power' }),
        ...beside,
        bundle: `readers.${id}`,
      })
    for (const { need, pin } of fit.pins)
      if (need.of.kind === 'node' && need.of.run === id)
        harness.wire({
          ...common,
          role: 'signal',
          from: harness.at(blockId.board, pin?.name ?? need.line, 'signal', { kind: 'pin' }),
          to: harness.at(hub, need.line, 'signal', { kind: 'pin', side: 'in' }),
          ...beside,
          bundle: `readers.${id}`,
        })
  }
}

/** What the wires of a node's part carry: its signals first, then plus and minus in turn. */
function rolesOf({
  wires,
  channels,
}: {
  readonly wires: number
  readonly channels: number
}): WireRole[] {
  return Array.from({ length: Math.max(wires, channels) }, (_, at) =>
    at < channels ? 'signal' : (at - channels) % 2 === 0 ? 'plus' : 'minus',
  )
}

/** The status light, beside the board: a resistor for each of its colours. */
export function addStatus({ harness, plan, fit }: RouteContext): void {
  const pins = (fit?.pins ?? []).flatMap(({ need, pin }) =>
    need.of.kind === 'status' ? [{ channel: need.of.channel, pin }] : [],
  )
  if (pins.length === 0) return
  const block = blockId.status
  harness.block(block, {
    of: { kind: 'input', input: 'status' },
    name: 'Status light',
    detail: 'three colours',
    about: [],
  })
  const common = { gauge: wireOf(plan.wiring.dataWire), ...beside, bundle: block, about: [] }
  for (const { channel, pin } of pins)
    harness.wire({
      ...common,
      role: 'signal',
      from: harness.at(block, channel, 'signal', { kind: 'pin' }),
      to: harness.at(blockId.board, pin?.name ?? channel, 'signal', { kind: 'pin' }),
      resistor: { ohm: statusOhm, why: 'status' },
    })
  harness.wire({
    ...common,
    role: 'minus',
    from: harness.at(block, '−', 'minus', { kind: 'power' }),
    to: commonAt(harness, '−'),
  })
}

/** Before each colour of a status light, Ω: *typical*. */
const statusOhm = 220

/** Sensors, buttons and knobs: plus where they take it, minus, and their pins. */
export function addInputs({ harness, plan, sources, pinFor }: RouteContext): void {
  const gauge = wireOf(plan.wiring.dataWire)
  for (const { id, name, kind, at } of plan.signal.inputs) {
    const block = blockId.input(id)
    const part = inputParts[kind]
    harness.block(block, { of: { kind: 'input', input: kind }, name, detail: part.name, about: [] })
    const length = at === undefined ? notPlaced : way(plan, sources.controller, at)
    const common: Pick<RoutedWire, 'gauge' | 'bundle' | 'about'> & WireLength = {
      gauge,
      ...length,
      bundle: block,
      about: [],
    }
    if (part.hasPlus)
      harness.wire({
        ...common,
        role: 'plus',
        from: harness.at(block, '+', 'plus', { kind: 'power' }),
        to: commonAt(harness, '+'),
      })
    harness.wire({
      ...common,
      role: 'minus',
      from: harness.at(block, '−', 'minus', { kind: 'power' }),
      to: commonAt(harness, '−'),
    })
    for (const pin of part.pins)
      harness.wire({
        ...common,
        role: 'signal',
        from: harness.at(block, pin.name, 'signal', { kind: 'pin' }),
        to: pinFor({ kind: 'input', input: id, pin: pin.name }, `${name} ${pin.name}`, 'signal'),
      })
  }
}

/** Of a sensor that has no place on the drawing yet. */
const notPlaced: WireLength = {
  lengthMm: 1000,
  working: working`${operand('not placed yet', 1000, 'mm')}`,
  rule: 'a metre until it stands on the drawing',
}
