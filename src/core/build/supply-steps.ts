import { formatQuantity } from '../quantity/format'
import { cautions, typicalMinutes as minutes, waitMinutes } from './step'
import { plain } from './words'
import { places, stepId, type Work } from './work'

/** The end of it: supplies, each measured before it is joined, and joined last. */
export function addSupplies(work: Work): void {
  const { supplies, plan, wiring } = work.given
  const joined = new Set(
    wiring.blocks.flatMap(({ of }) => (of.kind === 'supply' ? [of.supply] : [])),
  )
  const own = supplies.filter(({ slot }) => joined.has(slot.id))
  // Everything else is joined, measured, tested and closed before a supply is.
  const joints = new Set(own.map(({ slot }) => stepId.joint(slot.id)))
  const rest = work.ends().filter((id) => !joints.has(id))
  for (const joint of joints) {
    const step = work.steps.get(joint)
    if (step !== undefined) work.add({ ...step, needs: [...step.needs, ...rest] })
  }
  const last = { ...plain, place: places.last }
  for (const { slot, part, volts } of own) {
    const about = [slot.id]
    const isCell = part !== undefined && cellKinds.has(part.kind)
    work.add({
      ...last,
      id: stepId.unloaded(slot.id),
      kind: 'check',
      title: `Measure “${slot.name}” before it is joined: ${formatQuantity(part?.regulator?.inV ?? volts, 'V')}, plus where it says plus`,
      how: [
        'Nothing on it yet. Set its trimmer now, where it has one.',
        ...(part?.kind === 'usb-c'
          ? ['A trigger board may fall back to other volts: measure before you join.']
          : []),
      ],
      about,
      needs: [],
      minutes: minutes.check,
      cautions: [isCell ? cautions.cells : cautions.supply],
      tool: 'meter',
      phase: 'supply',
    })
    work.add({
      ...last,
      id: stepId.mount(slot.id),
      kind: 'mount',
      title: `Fix the supply where it hides: “${slot.name}”`,
      how: ['Air around it; its lid stays reachable.'],
      about,
      needs: [],
      minutes: minutes.mountPart,
      cautions: [cautions.supply],
      tool: 'screwdriver',
      phase: 'supply',
    })
    work.add({
      ...last,
      id: stepId.check(slot.id),
      kind: 'check',
      title: `Last meter check at “${slot.name}”, still off`,
      how: [
        'Plus to minus across its terminals: no short, below 10 Ω you stop.',
        'Every fuse is in.',
      ],
      about,
      needs: [stepId.joint(slot.id), stepId.unloaded(slot.id), stepId.mount(slot.id)],
      minutes: minutes.check,
      cautions: [cautions.unpowered, cautions.fuse],
      tool: 'meter',
      phase: 'supply-check',
    })
    work.add({
      ...last,
      id: stepId.card(slot.id),
      kind: 'label',
      title: `Card for the lid of “${slot.name}”: volts, fuses, limit, date`,
      about,
      needs: [],
      minutes: minutes.card,
      tool: 'pen',
      phase: 'card',
    })
  }
  const ready = work.ends()
  const powers = own.map(({ slot }) => stepId.power(slot.id))
  for (const { slot, part } of own)
    work.add({
      ...last,
      id: stepId.power(slot.id),
      kind: 'power',
      title: `Switch “${slot.name}” on`,
      how: [
        plan.limit < 1
          ? `The program holds to ${formatQuantity(plan.limit, '%')}.`
          : 'Low brightness first, then full.',
      ],
      about: [slot.id],
      needs: ready,
      minutes: minutes.power,
      cautions: [
        cautions.fuse,
        part !== undefined && cellKinds.has(part.kind) ? cautions.cells : cautions.supply,
      ],
      tool: 'hands',
      phase: 'power',
    })
  if (ready.length === 0) return
  const inBox = plan.lines.some(({ into }) => into?.what === 'case')
  const about = own.map(({ slot }) => slot.id)
  work.add({
    ...last,
    id: stepId.soak,
    kind: 'soak',
    title: `Run it at its limit for ${String(inBox ? waitMinutes.soakInBox : waitMinutes.soak)} minutes, with a thermometer`,
    how: ['Feel the first feed, the fuses, the supply, the middle of the longest strip.'],
    about,
    needs: powers.length > 0 ? powers : ready,
    minutes: minutes.soak,
    waitMin: inBox ? waitMinutes.soakInBox : waitMinutes.soak,
    cautions: [cautions.soak, cautions.flash],
    tool: 'meter',
    phase: 'soak',
  })
  work.add({
    ...last,
    id: stepId.book,
    kind: 'book',
    title: 'Book it out of the drawer, and put the offcuts back in',
    how: ['“Done” shows what went out of the drawer, and what is left over to go in.'],
    about,
    needs: [stepId.soak],
    minutes: minutes.book,
    tool: 'pen',
    phase: 'book',
  })
}

const cellKinds: ReadonlySet<string> = new Set(['battery', 'power-bank', 'boosted-cell'])
