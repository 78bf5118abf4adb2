import type { Dimmer } from '../lanes/dimmers'
import { wireOf } from '../parts/wires'
import { supplyOfLine } from '../plan/supply-of'
import type { InLineResistor } from './circuit'
import { beside, blockId, type Harness, way } from './harness'
import type { RouteContext } from './route-context'
import { switchResistor } from './switch-resistor'

/** What switches the minus of dimmed strips. */
export const addSwitch = (harness: Harness, { name, detail, runs }: Dimmer): void => {
  harness.block(blockId.switch(name), {
    of: { kind: 'switch', dimmer: name },
    name,
    detail,
    about: runs.map(({ run }) => run.id),
  })
}

/** What works a dimmer's switches, and their way to minus. */
export function addDimmer(context: RouteContext, dimmer: Dimmer): void {
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
