import type { CutStripRun } from '../cut/cut'
import { isOnWire } from '../cut/on-wire'
import { jumpersOf } from '../cut/pads'
import { capacitorFor, capacitorUf } from '../feed/capacitor'
import { fuseFor } from '../feed/fuse'
import { leadName, type Lead } from '../feed/leads'
import { isPlugged } from '../feed/plugs'
import { leadFuse } from '../feed/solved'
import { diodeOf } from '../parts/diodes'
import { wireOf, type Wire as Gauge } from '../parts/wires'
import type { WireRole } from '../plan/choices'
import { supplyIdOf } from '../plan/supply-of'
import { operand, working } from '../quantity/figure'
import { formatQuantity, significant } from '../quantity/format'
import type { LaneRun } from '../signal/lanes'
import { dimmersOf, type Dimmer } from '../signal/pins'
import type { Circuit, InLine, PlanCapacitor } from './circuit'
import { addInputs, addLightPins, addNodePins, addStatus } from './connect-pins'
import { Loom, beside, slackOf, way, type Drawn, type WiringGiven } from './loom'

/** Joins everything in the plan with wires: supplies, junctions, board, what stands between, runs and sensors. */
export function connect(given: WiringGiven): Circuit {
  const loom = new Loom(given.plan)
  addBlocks(loom, given)
  const dimmers = dimmersOf(given.cuts, given.lit)
  for (const { lead, currentA } of given.full.leads) addLead(loom, given, lead, currentA, dimmers)
  for (const entry of given.cuts) addJumpers(loom, given, entry)
  if (given.signal.fit !== undefined) {
    addBoardFeed(loom, given)
    addLanes(loom, given)
  }
  for (const dimmer of dimmers) addDimmer(loom, given, dimmer)
  if (given.signal.fit !== undefined) {
    for (const lit of given.lit) addLightPins(loom, given, lit)
    for (const node of given.nodes) addNodePins(loom, given, node)
    addStatus(loom, given)
    addInputs(loom, given)
  }
  return {
    blocks: [...loom.blocks.values()].filter(({ terminals }) => terminals.length > 0),
    wires: loom.wires,
    capacitors: capacitorsOf(given),
    lightJoints: given.lit.map((own) => ({
      run: own.id,
      lights: own.lights,
      resistors: own.resistors,
      isPlugged: isPlugged(own),
    })),
    padJoints: given.cuts.flatMap((entry) =>
      jumpersOf(entry)
        .filter(({ from, to }) => from.part === to.part)
        .map(({ from, to }) => ({
          run: entry.run.id,
          from: from.name,
          to: to.name,
          isPlugged: isOnWire(entry),
        })),
    ),
  }
}

/** Supplies that have no mains side. */
const cellKinds: readonly string[] = ['battery', 'power-bank', 'boosted-cell', 'board-pin']

function addBlocks(loom: Loom, { plan, supplies, cuts, lit, signal }: WiringGiven): void {
  for (const { slot, part, volts } of supplies)
    loom.block(`supply:${slot.id}`, {
      kind: 'supply',
      name: slot.name,
      detail: part?.name ?? formatQuantity(volts, 'V'),
      about: [slot.id],
      hasMains: part === undefined || !cellKinds.includes(part.kind),
    })
  for (const { id, name, limitA } of plan.junctions)
    loom.block(`junction:${id}`, {
      kind: 'junction',
      name,
      detail: `up to ${formatQuantity(limitA, 'A')}`,
      about: [id],
    })
  if (signal.fit !== undefined)
    loom.block('board', { kind: 'board', name: 'Board', detail: signal.fit.board.name, about: [] })
  if (signal.fit !== undefined && plan.signal.fix === 'buffer' && signal.lanes.length > 0)
    loom.block('buffer', { kind: 'buffer', name: 'Buffer', detail: '5 V out', about: [] })
  // Runs in the order of their lanes, then those without data.
  const inLanes = signal.lanes.flatMap(({ runs }) => runs.map(({ entry }) => entry))
  for (const entry of [...inLanes, ...cuts.filter((one) => !inLanes.includes(one))]) {
    const { run, strip, pieces } = entry
    const own = lit.find(({ id }) => id === run.id)
    if (own !== undefined) {
      loom.block(`run:${run.id}`, {
        kind: 'run',
        name: run.name,
        detail: `${String(own.lights)} × ${own.part.name}${isPlugged(own) ? ', plugged' : ''}`,
        about: [run.id],
      })
      continue
    }
    if (entry.cuts === 0) continue
    const names = pieces.filter((piece) => piece.cuts > 0).map(({ name }) => name)
    const what =
      strip.light.kind === 'pixels'
        ? formatQuantity(entry.pixels, 'px')
        : formatQuantity(entry.placedMm, 'mm', plan.units)
    loom.block(`run:${run.id}`, {
      kind: 'run',
      name: run.name,
      detail: `${what} · ${names.length > 2 ? `${names[0] ?? ''} to ${names.at(-1) ?? ''}` : names.join(', ')}`,
      about: [run.id],
    })
  }
}

const sourceBlock = ({ plan }: WiringGiven, id: string): string =>
  plan.junctions.some((junction) => junction.id === id) ? `junction:${id}` : `supply:${id}`

/** The splitter that a lead of plugged lights ends in. */
const headOf = ({ plugs }: WiringGiven, { share, to }: Lead): string | undefined =>
  to.kind === 'run'
    ? plugs.find((tree) => tree.id === to.run)?.leads[share]?.splitters[0]?.name
    : undefined

/** The key of a run's pads at a feed: nothing at its start. */
const padKey = (sign: string, pad: number): string => (pad === 0 ? sign : `${sign} ${String(pad)}`)

function addLead(
  loom: Loom,
  given: WiringGiven,
  lead: Lead,
  currentA: number,
  dimmers: readonly Dimmer[],
): void {
  const { plan } = given
  const source = sourceBlock(given, lead.from)
  const { to } = lead
  const target = to.kind === 'run' ? `run:${to.run}` : `junction:${to.junction}`
  const pad = to.kind === 'run' ? to.pad : 0
  const splitter = headOf(given, lead)
  const endKey = (sign: string): string =>
    splitter === undefined ? padKey(sign, pad) : `${splitter} ${sign}`
  const goal = leadName(plan, given.cuts, lead)
  const fuse = leadFuse({ lead, currentA })
  const common = {
    gauge: lead.wire,
    lengthMm: lead.lengthMm,
    working: lead.isMeasured
      ? working`${operand('measured', lead.lengthMm, 'mm')}`
      : working`${operand('along the drawing', lead.lengthMm / slackOf(plan), 'mm')} × ${operand('slack', slackOf(plan))}`,
    rule: lead.isMeasured
      ? 'as measured'
      : 'at right angles along the drawing, with the plan’s slack',
    bundle: lead.id,
    about: [to.kind === 'run' ? to.run : to.junction],
  }
  loom.wire({
    ...common,
    role: 'plus',
    from: loom.at(source, `+ ${lead.id}`, 'plus', `${goal} +`),
    to: loom.at(target, endKey('+'), 'plus', splitter === undefined ? '+' : endKey('+')),
    inLine: typeof fuse === 'number' ? [{ kind: 'fuse', text: `${significant(fuse)} A` }] : [],
  })
  const dimmer = dimmers.find(
    ({ runs }) => to.kind === 'run' && runs.some(({ run }) => run.id === to.run),
  )
  if (dimmer === undefined) {
    loom.wire({
      ...common,
      role: 'minus',
      from: loom.at(source, `− ${lead.id}`, 'minus', `${goal} −`),
      to: loom.at(target, endKey('−'), 'minus', splitter === undefined ? '−' : endKey('−')),
    })
    return
  }
  addSwitch(loom, dimmer)
  for (const channel of dimmer.channels)
    loom.wire({
      ...common,
      role: 'minus',
      from: loom.at(
        `switch:${dimmer.name}`,
        `${channel} ${lead.id}`,
        'minus',
        `${goal} ${channel}`,
      ),
      to: loom.at(target, padKey(`− ${channel}`, pad), 'minus', `− ${channel}`),
    })
}

/** What switches the minus of dimmed strips. */
const addSwitch = (loom: Loom, { name, detail, runs }: Dimmer): void => {
  loom.block(`switch:${name}`, {
    kind: 'switch',
    name,
    detail,
    about: runs.map(({ run }) => run.id),
  })
}

/** Wires from piece to piece of a run. */
function addJumpers(loom: Loom, { plan }: WiringGiven, entry: CutStripRun): void {
  const { run, strip } = entry
  const block = `run:${run.id}`
  const gauge = wireOf(plan.defaults.wire)
  const thin = wireOf(plan.wiring.dataWire)
  const { light } = strip
  const lines: readonly (readonly [key: string, role: WireRole])[] =
    light.kind === 'pixels'
      ? [
          ['+', 'plus'],
          ['−', 'minus'],
          ['D', 'data'],
          ...(light.data === 'clocked' ? ([['C', 'clock']] as const) : []),
        ]
      : [
          ['+', 'plus'],
          ...light.channels.map(
            ({ name }) => [light.channels.length === 1 ? '−' : `− ${name}`, 'minus'] as const,
          ),
        ]
  for (const { from, to, lengthMm } of jumpersOf(entry)) {
    // Pieces of a split part are soldered pad on pad.
    if (from.part === to.part) continue
    const mm = Math.max(20, lengthMm)
    for (const [key, role] of lines)
      loom.wire({
        role,
        from: loom.at(block, `${from.name} ${key} end`, role, `${from.name} ${key}`),
        to: loom.at(block, `${to.name} ${key} start`, role, `${to.name} ${key}`),
        gauge: role === 'data' || role === 'clock' ? thin : gauge,
        lengthMm: mm * slackOf(plan),
        working: working`${operand('from end to start', mm, 'mm')} × ${operand('slack', slackOf(plan))}`,
        rule: 'straight from piece to piece, with the plan’s slack',
        bundle: `${run.id}.${from.name}`,
        about: [run.id],
      })
  }
}

/** Plus and minus of the board, and of the buffer beside it. */
function addBoardFeed(loom: Loom, given: WiringGiven): void {
  const { plan, hidden, signal } = given
  const gauge = wireOf(plan.wiring.dataWire)
  const first = signal.lanes[0]?.runs[0]
  const supplyId = supplyIdOf(plan, first?.entry.run.line)
  const { boardFrom } = plan.signal
  const atStrip = boardFrom === 'strip' && first !== undefined
  const source = atStrip ? `run:${first.entry.run.id}` : `supply:${supplyId}`
  const from = atStrip ? first.start : (hidden.supplies.get(supplyId) ?? hidden.controller)
  const length = way(plan, from, hidden.controller)
  const about = [supplyId]
  // Its supply's end and its own; a board at the strip is told the other way round, like all that ends at a run.
  const ends = (sign: '+' | '−', role: WireRole): Pick<Drawn, 'from' | 'to'> => {
    const own = loom.at('board', sign, role)
    return atStrip
      ? { from: own, to: loom.at(source, sign, role) }
      : { from: loom.at(source, `${sign} board`, role, `board ${sign}`), to: own }
  }
  const hasPlus = boardFrom !== 'usb'
  // A plug of the board's own brings its plus; the minuses meet all the same.
  if (hasPlus)
    loom.wire({
      role: 'plus',
      ...ends('+', 'plus'),
      gauge,
      ...length,
      bundle: 'board',
      about,
      inLine: atStrip ? [] : [{ kind: 'fuse', text: boardFuse(gauge) }],
    })
  if (hasPlus || plan.rules.joinsMinus)
    loom.wire({
      role: 'minus',
      ...ends('−', 'minus'),
      gauge,
      ...length,
      bundle: 'board',
      about,
    })
  if (!loom.blocks.has('buffer')) return
  loom.wire({
    role: 'plus',
    from: loom.at('board', '+ out', 'plus', '5 V'),
    to: loom.at('buffer', '+', 'plus'),
    gauge,
    ...beside,
    bundle: 'buffer',
    about,
  })
  loom.wire({
    role: 'minus',
    from: loom.at('board', '− out', 'minus', '−'),
    to: loom.at('buffer', '−', 'minus'),
    gauge,
    ...beside,
    bundle: 'buffer',
    about,
  })
}

const boardFuse = ({ limitA }: Gauge): string =>
  `${significant(fuseFor(Math.min(0.5, limitA / 1.25), limitA) ?? limitA)} A`

/** Data, and clock where there is one, from the board along each lane. */
function addLanes(loom: Loom, { plan, signal, hidden }: WiringGiven): void {
  const gauge = wireOf(plan.wiring.dataWire)
  const { resistorOhm, fix, diode } = plan.signal
  for (const lane of signal.lanes) {
    const lines = lane.data === 'clocked' ? (['data', 'clock'] as const) : (['data'] as const)
    let before: LaneRun | undefined
    for (const run of lane.runs) {
      const block = `run:${run.entry.run.id}`
      const length = way(plan, before?.end ?? hidden.controller, run.start)
      for (const line of lines) {
        const mark = line === 'data' ? 'D' : 'C'
        const to = loom.at(block, `${mark} in`, line)
        const common = { role: line, gauge, about: [run.entry.run.id] }
        const inLine: InLine[] = []
        if (before === undefined) {
          const pin = signal.fit?.pins.find(
            ({ need }) => need.id === `lane.${lane.id}.${line}`,
          )?.pin
          let from = loom.at('board', pin?.name ?? `${lane.name} ${mark}`, line)
          if (loom.blocks.has('buffer')) {
            loom.wire({
              ...common,
              from,
              to: loom.at('buffer', `in ${lane.name} ${mark}`, line, 'in'),
              ...beside,
              bundle: `${lane.id}.buffer`,
            })
            from = loom.at('buffer', `out ${lane.name} ${mark}`, line, 'out')
          }
          if (resistorOhm !== null)
            inLine.push({ kind: 'resistor', text: formatQuantity(resistorOhm, 'Ω') })
          if (fix === 'diode' && line === 'data')
            inLine.push({ kind: 'diode', text: `${diodeOf(diode).name} in the first pixel’s plus` })
          loom.wire({ ...common, from, to, ...length, bundle: `${lane.id}.in`, inLine })
        } else
          loom.wire({
            ...common,
            from: loom.at(`run:${before.entry.run.id}`, `${mark} out`, line),
            to,
            ...length,
            bundle: `${lane.id}.${run.entry.run.id}`,
          })
      }
      before = run
    }
  }
}

/** Gates of a dimmer's MOSFETs, and their way to minus. */
function addDimmer(loom: Loom, { plan, signal, hidden, cuts }: WiringGiven, dimmer: Dimmer): void {
  const thin = wireOf(plan.wiring.dataWire)
  addSwitch(loom, dimmer)
  const block = `switch:${dimmer.name}`
  const about = dimmer.runs.map(({ run }) => run.id)
  for (const channel of dimmer.channels) {
    const needId = dimmer.needOf(channel)
    if (needId === undefined || signal.fit === undefined) continue
    const pin = signal.fit.pins.find(({ need }) => need.id === needId)?.pin
    loom.wire({
      role: 'signal',
      from: loom.at('board', pin?.name ?? channel, 'signal'),
      to: loom.at(block, `gate ${channel}`, 'signal', `gate ${channel}`),
      gauge: thin,
      ...beside,
      bundle: `dimmer.${dimmer.name}`,
      about,
      inLine: [{ kind: 'resistor', text: '220 Ω' }],
    })
  }
  const [first] = dimmer.runs
  const supplyId = supplyIdOf(plan, first?.run.line)
  const thickest = cuts.reduce(
    (gauge, { run }) =>
      (run.line.feeds ?? []).reduce((thick, { wire }) => {
        const own = wireOf(wire ?? plan.defaults.wire)
        return about.includes(run.id) && own.areaMm2 > thick.areaMm2 ? own : thick
      }, gauge),
    wireOf(plan.defaults.wire),
  )
  loom.wire({
    role: 'minus',
    from: loom.at(`supply:${supplyId}`, `− ${dimmer.name}`, 'minus', 'switch −'),
    to: loom.at(block, '−', 'minus'),
    gauge: thickest,
    ...way(plan, hidden.supplies.get(supplyId) ?? hidden.controller, hidden.controller),
    bundle: `dimmer.${dimmer.name}.minus`,
    about,
  })
}

function capacitorsOf({ supplies, full, cuts }: WiringGiven): PlanCapacitor[] {
  const strips = new Set(cuts.filter((entry) => entry.cuts > 0).map(({ run }) => run.id))
  return supplies.flatMap(({ slot, volts }): PlanCapacitor[] => {
    const rating = slot.capacitorV === undefined ? capacitorFor(volts) : slot.capacitorV
    // Single lights draw evenly and have no pads for it.
    const first = full.leads.find(
      ({ lead: { to, from } }) => to.kind === 'run' && from === slot.id && strips.has(to.run),
    )
    if (rating === null || first?.lead.to.kind !== 'run') return []
    const { run, pad } = first.lead.to
    return [
      {
        supplyId: slot.id,
        text: `${String(capacitorUf)} µF ${significant(rating)} V`,
        at: { run, pad },
      },
    ]
  })
}
