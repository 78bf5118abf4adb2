import { boardSupply } from '../lanes/boards'
import type { Dimmer } from '../lanes/dimmers'
import { wireOf } from '../parts/wires'
import { operand, working } from '../quantity/figure'
import { Kept } from '../quantity/kept'
import type { RoutedWire, Terminal } from './circuit'
import { addSwitch } from './connect-dimmers'
import { beside, blockId, cutTo, powerSwitchBundle } from './harness'
import { homeOf } from './home'
import type { Lead } from './lead'
import { leadName } from './leads'
import type { RouteContext } from './route-context'
import { switchWire } from './switch-wire'

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
export const switchedPlus = ({ powerSwitches }: RouteContext, id: string, block: string): string =>
  powerSwitches.get(id) === 'plus' ? blockId.powerSwitch(id) : block

/** The wires of switches by hand: into the plus of what hangs on their supply, or from its booster's enable pin to minus. */
export function addPowerSwitches(context: RouteContext): void {
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

// A lead's wires are the very same until something that they are made from is another.
const keptWires = new Kept<Lead, readonly RoutedWire[]>()

/** The wires of a lead: its plus, and its minus or one of each channel that a dimmer switches. */
export function addLead(context: RouteContext, lead: Lead, dimmer: Dimmer | undefined): void {
  const { harness, plan, cutRuns, entryOf, litOf } = context
  const { to } = lead
  const [plus, minus] = [plusBlock(context, lead.from), sourceBlock(context, lead.from)]
  const goal = leadName(plan, cutRuns, lead)
  const make = (): RoutedWire[] => leadWires(context, lead, { plus, minus, goal, dimmer })
  if (dimmer !== undefined || to.kind === 'junction') {
    if (dimmer !== undefined) addSwitch(harness, dimmer)
    for (const wire of make()) harness.wire(wire)
    return
  }
  const entry = entryOf.get(to.run)
  const inputs = [
    plus,
    minus,
    goal,
    plan.rules,
    entry && homeOf(entry, litOf.get(to.run)),
    splitterOf(context, lead),
    context.plusPad(to.run, to.pad),
  ]
  for (const wire of keptWires.get(lead, inputs, make)) harness.takeOver(wire)
}

function leadWires(
  context: RouteContext,
  lead: Lead,
  {
    plus,
    minus,
    goal,
    dimmer,
  }: {
    /** Blocks that its plus and its minus come from. */
    readonly plus: string
    readonly minus: string
    readonly goal: string
    readonly dimmer: Dimmer | undefined
  },
): RoutedWire[] {
  const { harness, plan } = context
  const { to } = lead
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
  const plusWire: RoutedWire = {
    ...common,
    role: 'plus',
    from: harness.at(plus, `+ ${lead.id}`, 'plus', spot, `${goal} +`),
    to: leadEnd(context, lead, '+'),
    fusedLead: lead.id,
    ...(lead.apart && { apart: lead.apart }),
  }
  if (dimmer === undefined)
    return [
      plusWire,
      {
        ...common,
        role: 'minus',
        from: harness.at(minus, `− ${lead.id}`, 'minus', spot, `${goal} −`),
        to: leadEnd(context, lead, '−'),
      },
    ]
  return [
    plusWire,
    ...dimmer.channels.map((channel): RoutedWire => ({
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
    })),
  ]
}
