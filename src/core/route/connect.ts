import type { CutStripRun } from '../cut/cut'
import { isOnWire } from '../cut/on-wire'
import { jumpersOf, jumperWayMm } from '../cut/pads'
import { legCount } from '../load/lit-colours'
import { boardSupply, supplyByBoard } from '../lanes/boards'
import { dimmersOf, type Dimmer } from '../lanes/dimmers'
import type { LaneRun } from '../lanes/lanes'
import { connectorOf } from '../parts/connectors'
import { wireOf } from '../parts/wires'
import type { WireRole } from '../plan/choices'
import type { Plan } from '../plan/plan'
import { supplyOfLine } from '../plan/supply-of'
import { operand, working } from '../quantity/figure'
import { formatQuantity } from '../quantity/format'
import type { Circuit, InLineResistor, RoutedWire, Terminal } from './circuit'
import { addInputs, addLights, addNodes, addStatus } from './connect-lights'
import { beside, blockId, cutTo, type Harness, powerSwitchBundle, way } from './harness'
import { homeOf } from './home'
import type { Lead } from './lead'
import { leadName } from './leads'
import { isPlugged } from './plugs'
import { contextOf, type RouteContext, type RouteGiven } from './route-context'
import { linesOf } from './strip-lines'
import { switchWire } from './switch-wire'
import { switchResistor } from './switch-resistor'

/** Routes every wire of the plan: supplies, junctions, board, what stands between, runs, lights and sensors. */
export function connect(given: RouteGiven): Circuit {
  const context = contextOf(given)
  const { harness, cuts, lit, fit } = context
  addBlocks(context)
  const dimmers = dimmersOf(cuts, lit)
  const dimmerOf = new Map(
    dimmers.flatMap((dimmer) => dimmer.runs.map(({ run }) => [run.id, dimmer] as const)),
  )
  addPowerSwitches(context)
  for (const lead of given.leads)
    addLead(context, lead, lead.to.kind === 'run' ? dimmerOf.get(lead.to.run) : undefined)
  for (const entry of cuts) addJumpers(context, entry)
  if (fit !== undefined) {
    addBoardFeed(context)
    addLanes(context)
  }
  for (const dimmer of dimmers) addDimmer(context, dimmer)
  const cables = addLights(context)
  addNodes(context)
  if (fit !== undefined) {
    addStatus(context)
    addInputs(context)
  }
  return {
    blocks: [...harness.blocks.values()].filter(({ terminals }) => terminals.length > 0),
    wires: harness.wires,
    cables,
    lightJoints: lit.map((own) => {
      const entry = context.entryOf.get(own.id)
      return {
        run: own.id,
        lights: own.lights,
        legs: legCount(own),
        resistors: own.resistors,
        isPlugged: isPlugged(own),
        hasWiresHome: entry !== undefined && homeOf(entry, own) !== undefined,
      }
    }),
    padJoints: cuts.flatMap((entry) =>
      jumpersOf(entry)
        .filter(({ from, to }) => from.part === to.part)
        .map(({ from, to }) => ({
          run: entry.run.id,
          from: from.name,
          to: to.name,
          wires: linesOf(entry.strip).length,
          isPlugged: isOnWire(entry),
        })),
    ),
  }
}

function addBlocks({
  harness,
  plan,
  cuts,
  litOf,
  lanes,
  fit,
  volts,
  powerSwitches,
}: RouteContext): void {
  for (const { id, name } of plan.supplies)
    harness.block(blockId.supply(id), {
      of: { kind: 'supply', supply: id },
      name,
      detail: formatQuantity(volts.get(id) ?? 0, 'V'),
      about: [id],
    })
  for (const { id, name } of plan.supplies) {
    const place = powerSwitches.get(id)
    if (place !== undefined)
      harness.block(blockId.powerSwitch(id), {
        of: { kind: 'power-switch', supply: id },
        name: `Switch of ${name}`,
        detail: place === 'plus' ? 'in the plus' : 'at the enable pin',
        about: [id],
      })
  }
  for (const { id, name, limitA } of plan.junctions)
    harness.block(blockId.junction(id), {
      of: { kind: 'junction', junction: id },
      name,
      detail: `up to ${formatQuantity(limitA, 'A')}`,
      about: [id],
    })
  if (fit !== undefined)
    harness.block(blockId.board, {
      of: { kind: 'board' },
      name: 'Board',
      detail: fit.board.name,
      about: [],
    })
  if (fit !== undefined && plan.signal.fix === 'buffer' && lanes.length > 0)
    harness.block(blockId.buffer, {
      of: { kind: 'buffer' },
      name: 'Buffer',
      detail: '5 V out',
      about: [],
    })
  // Runs in the order of their lanes, then those without data.
  const inLanes = new Set(lanes.flatMap(({ runs }) => runs.map(({ entry }) => entry)))
  for (const entry of [...inLanes, ...cuts.filter((one) => !inLanes.has(one))]) {
    const { run, strip, pieces } = entry
    const own = litOf.get(run.id)
    const isEmpty = entry.cuts === 0 && run.lights.length === 0
    if (isEmpty) continue
    harness.block(blockId.run(run.id), {
      of: { kind: 'run', run: run.id },
      name: run.name,
      detail:
        own !== undefined
          ? `${String(own.lights)} × ${own.part.name}${isPlugged(own) ? ', plugged' : ''}`
          : entry.cuts === 0
            ? formatQuantity(run.lights.length, 'lights')
            : stripDetail(plan, strip.light.kind, entry, pieces),
      about: [run.id],
    })
  }
}

function stripDetail(
  plan: Plan,
  kind: 'pixels' | 'plain',
  entry: CutStripRun,
  pieces: CutStripRun['pieces'],
): string {
  const names = pieces.filter((piece) => piece.cuts > 0).map(({ name }) => name)
  const what =
    kind === 'pixels'
      ? formatQuantity(entry.pixels, 'px')
      : formatQuantity(entry.placedMm, 'mm', plan.units)
  return `${what} · ${names.length > 2 ? `${names[0] ?? ''} to ${names.at(-1) ?? ''}` : names.join(', ')}`
}

/** The block that a lead's minus comes from: a junction, a supply, or the board whose pin the supply is. */
const sourceBlock = ({ plan, pinSupply }: RouteContext, id: string): string =>
  id === pinSupply
    ? blockId.board
    : plan.junctions.some((junction) => junction.id === id)
      ? blockId.junction(id)
      : blockId.supply(id)

/** … and its plus: from the supply's switch, where it has one. */
const plusBlock = (context: RouteContext, id: string): string =>
  id === context.pinSupply ? blockId.board : switchedPlus(context, id, sourceBlock(context, id))

/** Where the plus of a supply is taken from: its switch by hand, or its own block. */
const switchedPlus = ({ powerSwitches }: RouteContext, id: string, block: string): string =>
  powerSwitches.get(id) === 'plus' ? blockId.powerSwitch(id) : block

/** The wires of switches by hand: into the plus of what hangs on their supply, or from its booster's enable pin to minus. */
function addPowerSwitches(context: RouteContext): void {
  const { harness, plan, leads, fit, lanes, powerSwitches } = context
  const boardOn = boardSupply(plan, fit, lanes)
  for (const [supply, place] of powerSwitches) {
    const own = leads.filter(({ from }) => from === supply)
    if (own.length === 0 && boardOn !== supply) continue
    const [source, block] = [blockId.supply(supply), blockId.powerSwitch(supply)]
    const common = { ...beside, bundle: powerSwitchBundle(supply), about: [supply] }
    const thin = wireOf(plan.wiring.dataWire)
    if (place === 'plus') {
      harness.wire({
        ...common,
        role: 'plus',
        gauge: switchWire(context, supply),
        from: harness.at(source, '+ switch', 'plus', { kind: 'power' }, 'switch +'),
        to: harness.at(block, '+ in', 'plus', { kind: 'power' }, 'in'),
      })
      continue
    }
    for (const [key, role] of [
      ['enable', 'signal'],
      ['− switch', 'minus'],
    ] as const)
      harness.wire({
        ...common,
        role,
        gauge: thin,
        from: harness.at(source, key, role, { kind: 'pin' }),
        to: harness.at(block, key, role, { kind: 'pin' }),
      })
  }
}

/** The splitter that a lead of plugged lights ends in. */
const splitterOf = ({ plugs }: RouteContext, { share, to }: Lead): string | undefined =>
  to.kind === 'run'
    ? plugs.find((tree) => tree.id === to.run)?.leads[share]?.splitters[0]?.name
    : undefined

/** The terminal where a lead ends: of a junction, a hub, a splitter, or the pads of a run. */
function leadEnd(context: RouteContext, lead: Lead, sign: '+' | '−', channel?: string): Terminal {
  const { harness, entryOf, litOf } = context
  const role = sign === '+' ? 'plus' : 'minus'
  const { to } = lead
  if (to.kind === 'junction')
    return harness.at(blockId.junction(to.junction), sign, role, { kind: 'power' })
  const entry = entryOf.get(to.run)
  if (entry !== undefined && homeOf(entry, litOf.get(to.run)) === 'hub')
    return harness.at(blockId.hub(to.run), sign, role, { kind: 'power' })
  const block = blockId.run(to.run)
  const splitter = splitterOf(context, lead)
  if (splitter !== undefined)
    return harness.at(block, `${splitter} ${sign}`, role, { kind: 'splitter', splitter })
  const mark = channel === undefined ? sign : `${sign} ${channel}`
  const pad = sign === '+' ? context.plusPad(to.run, to.pad) : to.pad
  return harness.at(
    block,
    pad === 0 ? mark : `${mark} ${String(pad)}`,
    role,
    { kind: 'pad', pad, ...(channel !== undefined && { channel }) },
    mark,
  )
}

function addLead(context: RouteContext, lead: Lead, dimmer: Dimmer | undefined): void {
  const { harness, plan, cuts } = context
  const source = sourceBlock(context, lead.from)
  const { to } = lead
  const goal = leadName(plan, cuts, lead)
  const spot = { kind: 'lead', lead: lead.id } as const
  const common = {
    gauge: lead.wire,
    lengthMm: lead.lengthMm,
    working: lead.isMeasured
      ? working`${operand('measured', lead.lengthMm, 'mm')}`
      : cutTo(plan, {
          parts: [operand('along the drawing', lead.wayMm, 'mm')],
          spareMm: lead.spareMm,
        }).working,
    rule: lead.isMeasured
      ? 'as measured'
      : 'at right angles along the drawing, with the plan’s slack',
    ends: [lead.start, lead.end] as const,
    bundle: lead.id,
    about: [to.kind === 'run' ? to.run : to.junction],
  }
  harness.wire({
    ...common,
    role: 'plus',
    from: harness.at(plusBlock(context, lead.from), `+ ${lead.id}`, 'plus', spot, `${goal} +`),
    to: leadEnd(context, lead, '+'),
    fusedLead: lead.id,
    ...(lead.apart && { apart: lead.apart }),
  })
  if (dimmer === undefined) {
    harness.wire({
      ...common,
      role: 'minus',
      from: harness.at(source, `− ${lead.id}`, 'minus', spot, `${goal} −`),
      to: leadEnd(context, lead, '−'),
    })
    return
  }
  addSwitch(harness, dimmer)
  for (const channel of dimmer.channels)
    harness.wire({
      ...common,
      role: 'minus',
      from: harness.at(
        blockId.switch(dimmer.name),
        `${channel} ${lead.id}`,
        'minus',
        spot,
        [`${goal}${channel === 'light' ? '' : ` ${channel}`}`, dimmer.legs?.load]
          .filter((text) => text !== undefined)
          .join(', '),
      ),
      to: leadEnd(context, lead, '−', channel),
    })
}

/** What switches the minus of dimmed strips. */
const addSwitch = (harness: Harness, { name, detail, runs }: Dimmer): void => {
  harness.block(blockId.switch(name), {
    of: { kind: 'switch', dimmer: name },
    name,
    detail,
    about: runs.map(({ run }) => run.id),
  })
}

/** Wires from piece to piece of a run. */
function addJumpers({ harness, plan }: RouteContext, entry: CutStripRun): void {
  const { run } = entry
  const block = blockId.run(run.id)
  const gauge = wireOf(plan.defaults.wire)
  const thin = wireOf(plan.wiring.dataWire)
  for (const jumper of jumpersOf(entry)) {
    const mm = jumperWayMm(jumper)
    if (mm === undefined) continue
    const { from, to } = jumper
    for (const { mark, role, channel } of linesOf(entry.strip)) {
      const end = (piece: string, side: 'start' | 'end'): Terminal =>
        harness.at(
          block,
          `${piece} ${mark} ${side}`,
          role,
          { kind: 'piece', piece, end: side, ...(channel !== undefined && { channel }) },
          `${piece} ${mark}`,
        )
      harness.wire({
        role,
        from: end(from.name, 'end'),
        to: end(to.name, 'start'),
        gauge: role === 'data' || role === 'clock' ? thin : gauge,
        ...cutTo(plan, { parts: [operand('from end to start', mm, 'mm')] }),
        rule: 'straight from piece to piece, with the plan’s slack',
        bundle: `${run.id}.${from.name}`,
        about: [run.id],
      })
    }
  }
}

/** Plus and minus of the board, and of the buffer beside it. */
function addBoardFeed(context: RouteContext): void {
  const { harness, plan, sources, lanes, plusPad } = context
  const gauge = wireOf(plan.wiring.dataWire)
  const first = lanes[0]?.runs[0]
  const supplyId = supplyByBoard(plan, lanes)
  const { boardFrom } = plan.signal
  const atStrip = boardFrom === 'strip' && first !== undefined
  const supply = blockId.supply(supplyId)
  const source = atStrip ? blockId.run(first.entry.run.id) : supply
  const isRaw = context.pinSupply === supplyId
  const from = atStrip ? first.start : (sources.supplies.get(supplyId) ?? sources.controller)
  const common = {
    gauge,
    bundle: 'board',
    about: [supplyId],
    ...way(plan, from, sources.controller),
  }
  // Its supply's end and its own; a board at the strip is told the other way round, like all that ends at a run.
  const ends = (sign: '+' | '−', role: WireRole): Pick<RoutedWire, 'from' | 'to'> => {
    const key = isRaw && sign === '+' ? 'raw +' : sign
    const own = harness.at(blockId.board, key, role, { kind: 'power' })
    const pad = atStrip && sign === '+' ? plusPad(first.entry.run.id, 0) : 0
    return atStrip
      ? {
          from: own,
          to: harness.at(source, pad === 0 ? sign : `${sign} ${String(pad)}`, role, {
            kind: 'pad',
            pad,
          }),
        }
      : {
          from: harness.at(
            sign === '+' ? switchedPlus(context, supplyId, supply) : source,
            `${sign} board`,
            role,
            { kind: 'lead', lead: 'board' },
            `board ${sign}`,
          ),
          to: own,
        }
  }
  const hasPlus = boardFrom !== 'usb'
  // A plug of the board's own brings its plus; the minuses meet all the same.
  if (hasPlus)
    harness.wire({
      ...common,
      role: 'plus',
      ...ends('+', 'plus'),
      ...(!atStrip && { isBoardFeed: true }),
    })
  if (hasPlus || plan.rules.joinsMinus)
    harness.wire({ ...common, role: 'minus', ...ends('−', 'minus') })
  if (!harness.blocks.has(blockId.buffer)) return
  for (const [sign, role] of [
    ['+', 'plus'],
    ['−', 'minus'],
  ] as const)
    harness.wire({
      role,
      from: harness.at(
        blockId.board,
        `${sign} out`,
        role,
        { kind: 'output', to: 'buffer' },
        sign === '+' ? '5 V' : '−',
      ),
      to: harness.at(blockId.buffer, sign, role, { kind: 'power' }),
      gauge,
      ...beside,
      bundle: 'buffer',
      about: [supplyId],
    })
}

/** Data, and clock where there is one, from the board along each lane. */
function addLanes(context: RouteContext): void {
  const { harness, plan, lanes, sources, pinFor } = context
  const gauge = wireOf(plan.wiring.dataWire)
  const { resistorOhm, fix } = plan.signal
  for (const lane of lanes) {
    const lines = lane.data === 'clocked' ? (['data', 'clock'] as const) : (['data'] as const)
    let before: LaneRun | undefined
    for (const run of lane.runs) {
      const block = blockId.run(run.entry.run.id)
      const length = way(plan, before?.end ?? sources.controller, run.start, run)
      for (const line of lines) {
        const mark = line === 'data' ? 'D' : 'C'
        const to = harness.at(block, `${mark} in`, line, { kind: 'data', side: 'in' })
        const common = { role: line, gauge, about: [run.entry.run.id] }
        // The clock comes apart with the data, in one plug.
        const apart = line === 'data' ? connectorOf(run.entry.run.line.dataApart) : undefined
        if (before !== undefined) {
          harness.wire({
            ...common,
            from: harness.at(blockId.run(before.entry.run.id), `${mark} out`, line, {
              kind: 'data',
              side: 'out',
            }),
            to,
            ...length,
            bundle: `${lane.id}.${run.entry.run.id}`,
            ...(apart && { apart }),
          })
          continue
        }
        let from = pinFor({ kind: 'lane', lane: lane.id, line }, `${lane.name} ${mark}`, line)
        if (harness.blocks.has(blockId.buffer)) {
          const bufferPin = (side: 'in' | 'out'): Terminal =>
            harness.at(
              blockId.buffer,
              `${side} ${lane.name} ${mark}`,
              line,
              { kind: 'pin', side },
              side,
            )
          harness.wire({
            ...common,
            from,
            to: bufferPin('in'),
            ...beside,
            bundle: `${lane.id}.buffer`,
          })
          from = bufferPin('out')
        }
        harness.wire({
          ...common,
          from,
          to,
          ...length,
          bundle: `${lane.id}.in`,
          ...(apart && { apart }),
          ...(resistorOhm !== null && { resistor: { ohm: resistorOhm, why: 'data' } }),
        })
      }
      if (before === undefined && fix === 'diode') addDiode(context, lane.id, run.entry)
      before = run
    }
  }
}

/** From pad to pad over one pixel, mm. */
const overPixelMm = 30

/** The diode in the plus of a lane's first pixel, which has been cut off the strip's plus behind it (handbook 3, first-pixel-diode). */
function addDiode({ harness, plan }: RouteContext, lane: string, { run }: CutStripRun): void {
  const block = blockId.run(run.id)
  harness.wire({
    role: 'plus',
    from: harness.at(block, '+ 1', 'plus', { kind: 'pad', pad: 1 }, '+'),
    to: harness.at(block, '+', 'plus', { kind: 'pad', pad: 0 }),
    gauge: wireOf(plan.wiring.dataWire),
    lengthMm: overPixelMm,
    working: working`${operand('over the first pixel', overPixelMm, 'mm')}`,
    rule: 'the diode’s own legs and a short wire',
    bundle: `${lane}.diode`,
    about: [run.id],
    hasDiode: true,
  })
}

/** What works a dimmer's switches, and their way to minus. */
function addDimmer(context: RouteContext, dimmer: Dimmer): void {
  const { harness, plan, fit, sources, leads, pinFor, litOf } = context
  const thin = wireOf(plan.wiring.dataWire)
  addSwitch(harness, dimmer)
  const block = blockId.switch(dimmer.name)
  const about = dimmer.runs.map(({ run }) => run.id)
  const [first] = dimmer.runs
  if (fit !== undefined && dimmer.by !== 'button')
    for (const channel of dimmer.channels) {
      const resistor: InLineResistor = switchResistor(litOf.get(first?.run.id ?? ''), fit.board)
      harness.wire({
        role: 'signal',
        from: pinFor(
          dimmer.by === 'channel-pins'
            ? { kind: 'dimmer', dimmer: dimmer.name, channel }
            : { kind: 'light', run: first?.run.id ?? '', line: { kind: 'switch' } },
          channel,
          'signal',
        ),
        to: harness.at(
          block,
          `gate ${channel}`,
          'signal',
          { kind: 'pin' },
          `${resistor.why} ${channel}`,
        ),
        gauge: thin,
        ...beside,
        bundle: `dimmer.${dimmer.name}`,
        about,
        resistor,
      })
    }
  const supplyId = supplyOfLine(plan, first?.run.line)
  const thickest = leads.reduce(
    (gauge, { to, wire }) =>
      to.kind === 'run' && about.includes(to.run) && wire.areaMm2 > gauge.areaMm2 ? wire : gauge,
    wireOf(plan.defaults.wire),
  )
  harness.wire({
    role: 'minus',
    from: harness.at(
      blockId.supply(supplyId),
      `− ${dimmer.name}`,
      'minus',
      { kind: 'lead', lead: dimmer.name },
      'switch −',
    ),
    to: harness.at(
      block,
      '−',
      'minus',
      { kind: 'power' },
      dimmer.legs === undefined ? '−' : `${dimmer.legs.common} −`,
    ),
    gauge: thickest,
    ...way(plan, sources.supplies.get(supplyId) ?? sources.controller, sources.controller),
    bundle: `dimmer.${dimmer.name}.minus`,
    about,
  })
}
