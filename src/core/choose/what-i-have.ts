import { offcutsIn, type DrawerItem } from '../buy/drawer'
import type { Engine } from '../engine'
import { soldBoard, soldSupply } from '../parts/sold'
import { change, type Command } from '../plan/commands'
import type { Plan } from '../plan/plan'
import { engineOf } from '../worked'
import { stopsOf, type JudgedFinding, type Remedy } from '../verdict/verdict'
import { candidatesFor, layCommands } from './compare'
import { fixSearch, lookedAt } from './fixes'

/** Something in the drawer in the place of what the plan would buy. */
export interface HaveUse {
  /** Ids of the items in the drawer. */
  readonly items: readonly string[]
  readonly kind: 'supply' | 'board' | 'strip'
  readonly name: string
  /** What has to go with it, such as `limit brightness to 52 %`; none where it does as it is. */
  readonly needs: readonly string[]
  /** Stops that come with it and that nothing was found for: it will not do. */
  readonly stops: readonly string[]
  /** Against the bill as it is; negative where it saves. */
  readonly costMore: number
  /** All of it as one edit. */
  readonly commands: readonly Command[]
}

/** Rounds of looking for what has to go with it. */
const mostRounds = 6

/**
 * What of the drawer would do for a plan: each supply, board and strip in it tried in the place of the plan's own, with the remedies that it
 * needs so that no new stop comes. Yields each as it is worked out; those that the plan has already are left out.
 */
export function* withWhatIHave(
  plan: Plan,
  items: readonly (DrawerItem & { readonly id: string })[],
): Generator<HaveUse> {
  const engine = engineOf(plan)
  for (const { items: ids, kind, name, commands } of triesFor(engine, items)) {
    const settled = settle(engine, commands)
    yield { items: ids, kind, name, ...settled }
  }
}

type Try = Pick<HaveUse, 'items' | 'kind' | 'name' | 'commands'>

function triesFor(
  { worked: { plan, parts, supplies, fit, cutRuns, receipt } }: Engine,
  items: readonly (DrawerItem & { readonly id: string })[],
): Try[] {
  const tries = new Map<string, Try>()
  const allOffcuts = offcutsIn(items, new Set(parts.strips.map(({ id }) => id)))
  const known = new Set(plan.offcuts.map(({ id }) => id))
  for (const item of items) {
    const supply = parts.supplies.find(
      (part) => part.id === item.part || soldSupply(part).id === item.part,
    )
    // It takes the place of the supply of its volts that has most to do.
    const slot = supplies
      .filter(({ volts, loadA }) => volts === supply?.volts && loadA > 0)
      .toSorted((a, b) => b.loadA - a.loadA)[0]
    const isAnother = slot?.part?.id !== supply?.id
    if (supply !== undefined && slot !== undefined && isAnother)
      tries.set(`supply ${supply.id}`, {
        items: [item.id],
        kind: 'supply',
        name: supply.name,
        commands: [
          { do: 'pick-supply', supply: slot.slot.id, part: supply.id },
          takes(plan, item.id, soldSupply(supply).id),
        ],
      })
    const board = parts.boards.find(
      (part) => part.id === item.part || soldBoard(part).id === item.part,
    )
    if (board !== undefined && fit !== undefined && fit.board.id !== board.id)
      tries.set(`board ${board.id}`, {
        items: [item.id],
        kind: 'board',
        name: board.name,
        commands: [
          { do: 'set-signal', signal: { board: board.id } },
          takes(plan, item.id, soldBoard(board).id),
        ],
      })
  }
  for (const strip of candidatesFor(plan)) {
    const offcuts = allOffcuts.filter(({ stripId }) => stripId === strip.id)
    const isPresent = cutRuns.some((entry) => entry.strip.id === strip.id)
    const isTaken = receipt.lines.some(({ part, have }) => part === strip.id && have > 0)
    if (offcuts.length === 0 || (isPresent && isTaken)) continue
    tries.set(`strip ${strip.id}`, {
      items: offcuts.map(({ id }) => id),
      kind: 'strip',
      name: strip.name,
      commands: [
        ...(isPresent ? [] : layCommands(plan, strip)),
        { do: 'add-offcuts', offcuts: offcuts.filter(({ id }) => !known.has(id)) },
      ],
    })
  }
  return [...tries.values()]
}

/** One of an item comes from the drawer, and is not bought. */
const takes = ({ buy }: Plan, item: string, line: string): Command => ({
  do: 'set-buy',
  buy: { taken: [...buy.taken.filter((one) => one.item !== item), { item, line, amount: 1 }] },
})

/** An edit with the remedies that clear the stops that came with it, as far as there are any. */
function settle(
  engine: Engine,
  first: readonly Command[],
): Pick<HaveUse, 'needs' | 'stops' | 'costMore' | 'commands'> {
  const { plan, receipt } = engine.worked
  const before = new Set(stopsOf(engine.worked.findings).map(({ id }) => id))
  const freshIn = (one: Engine): JudgedFinding[] =>
    stopsOf(one.worked.findings).filter(({ id }) => !before.has(id))
  const commands = [...first]
  const needs: string[] = []
  let own = engine.fork(change(plan, commands).plan)
  for (let round = 0; round < mostRounds; round += 1) {
    const fresh = new Set(freshIn(own).map(({ id }) => id))
    if (fresh.size === 0) break
    const remedy = firstFix(own, fresh)
    if (remedy === undefined) break
    needs.push(remedy.label)
    commands.push(...remedy.commands)
    own = own.fork(change(own.worked.plan, remedy.commands).plan)
  }
  return {
    needs,
    stops: freshIn(own).map(({ text }) => text),
    costMore: own.worked.receipt.total - receipt.total,
    commands,
  }
}

/** The first confirmed remedy that does not put another supply, board or strip in the place of the one that is tried. */
function firstFix(engine: Engine, wanted: ReadonlySet<string>): Remedy | undefined {
  for (const step of fixSearch(engine, ({ id }) => wanted.has(id))) {
    const fix = lookedAt(step)?.fixes.find(({ commands }) => commands.every((one) => !isSwap(one)))
    if (fix !== undefined) return fix
  }
  return undefined
}

const isSwap = (command: Command): boolean =>
  command.do === 'pick-supply' ||
  command.do === 'set-strip' ||
  command.do === 'set-default-strip' ||
  (command.do === 'set-signal' && command.signal.board !== undefined)
