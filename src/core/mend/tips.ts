import { entryOf, runName } from '../cut/entry-of'
import { endReader, type Network } from '../feed/network'
import { networkName } from '../feed/plan-network'
import { loadsPerGroup } from '../load/group-draw'
import { isOnPins } from '../load/lights'
import type { BlockKind, Terminal } from '../route/circuit'
import { contactsOf } from './contacts'
import type { MendGiven, Rail } from './fault'

/** Where the tip of a meter is held. */
export type TipAt =
  /** On a rail beside a load of a run of the network, from pad 0; behind it only at the end of a piece. */
  | {
      readonly kind: 'load'
      readonly rail: Rail
      readonly run: string
      readonly load: number
      readonly isBehind: boolean
    }
  /** On a supply or junction, as the network names it. */
  | { readonly kind: 'node'; readonly rail: Rail; readonly node: string }
  /** On a terminal of data, clock or a signal. */
  | { readonly kind: 'signal'; readonly terminal: string }

/** A place where the tip of a meter can be held. */
export interface TipPlace {
  readonly id: string
  readonly name: string
  readonly at: TipAt
}

const rails = ['plus', 'minus'] as const
const signOf: Readonly<Record<Rail, string>> = { plus: '+', minus: '−' }

const nodeTip = (node: string, name: string, rail: Rail): TipPlace => ({
  id: `${node} ${signOf[rail]}`,
  name: `${name} ${signOf[rail]}`,
  at: { kind: 'node', rail, node },
})
const loadTip = (at: Omit<Extract<TipAt, { kind: 'load' }>, 'kind'>, name: string): TipPlace => ({
  id: `${at.run} ${String(at.load)} ${at.isBehind ? 'behind ' : ''}${signOf[at.rail]}`,
  name: `${name} ${signOf[at.rail]}`,
  at: { kind: 'load', ...at },
})

type TipGiven = Pick<MendGiven, 'plan' | 'cutRuns' | 'leads' | 'lit'>

/** Both ends of every piece of a run, by its loads. */
function pieceEnds(
  { cutRuns }: Pick<MendGiven, 'cutRuns'>,
  run: string,
): readonly { readonly name: string; readonly first: number; readonly last: number }[] {
  const entry = entryOf(cutRuns, run)
  if (entry === undefined) return []
  const perGroup = loadsPerGroup(entry.strip)
  let before = 0
  return entry.pieces.flatMap(({ name, groups }) => {
    if (groups === 0) return []
    const first = before * perGroup
    before += groups
    return [{ name, first, last: before * perGroup - 1 }]
  })
}

/**
 * The tip on a rail of a run's tape.
 *
 * @param at the pixel, cut group or light, from pad 0; counted in loads
 */
export function tapeTip(
  given: TipGiven,
  run: string,
  at: number,
  rail: Rail,
): TipPlace | undefined {
  const entry = entryOf(given.cutRuns, run)
  if (entry === undefined) return undefined
  const name = runName(given.cutRuns, run)
  const own = given.lit.find(({ id }) => id === run)
  if (own !== undefined) {
    // All lights on one lead have its volts.
    if (isOnPins(own.settings)) return undefined
    let before = 0
    for (const { to, share, lightShare } of given.leads) {
      if (lightShare === undefined || to.kind !== 'run' || to.run !== run) continue
      before += Math.round(lightShare * own.lights)
      if (at < before)
        return loadTip(
          { rail, run: networkName.lights(run, share), load: 0, isBehind: false },
          `${name}, lights on its lead ${String(share + 1)}`,
        )
    }
    return undefined
  }
  for (const piece of pieceEnds(given, run)) {
    if (at > piece.last) continue
    const isBehind = at === piece.last && at !== piece.first
    const unit = entry.strip.light.kind === 'pixels' ? 'pixel' : 'group'
    const place =
      at === piece.first
        ? `${piece.name} start`
        : isBehind
          ? `${piece.name} end`
          : `${unit} ${String(at + 1)}`
    return loadTip({ rail, run, load: at, isBehind }, `${name}, ${place}`)
  }
  return undefined
}

/** Every place that has a name: screws, and the pads at the ends of pieces. Between those a tape is pointed at (`tapeTip`). */
export function tipPlaces(given: TipGiven): readonly TipPlace[] {
  const { plan, cutRuns, leads } = given
  const shares = leads.flatMap(({ to, share, lightShare }) =>
    lightShare !== undefined && to.kind === 'run' ? [{ run: to.run, share }] : [],
  )
  return [
    ...plan.supplies.flatMap(({ id, name }) =>
      rails.map((rail) => nodeTip(networkName.supply(id), name, rail)),
    ),
    ...plan.junctions.flatMap(({ id, name }) =>
      rails.map((rail) => nodeTip(networkName.junction(id), name, rail)),
    ),
    ...cutRuns.flatMap(({ run }) => [
      ...pieceEnds(given, run.id).flatMap(({ name, first, last }) =>
        (['start', 'end'] as const).flatMap((end) =>
          rails.map((rail) =>
            loadTip(
              { rail, run: run.id, load: end === 'start' ? first : last, isBehind: end === 'end' },
              `${run.name}, ${name} ${end}`,
            ),
          ),
        ),
      ),
      ...shares
        .filter((one) => one.run === run.id)
        .flatMap(({ share }) =>
          rails.map((rail) =>
            loadTip(
              { rail, run: networkName.lights(run.id, share), load: 0, isBehind: false },
              `${run.name}, lights on its lead ${String(share + 1)}`,
            ),
          ),
        ),
    ]),
  ]
}

/** Where the end of a lead is, by its name in a network. */
export function endPlaces(network: Network): (end: string) =>
  | { readonly kind: 'node'; readonly node: string }
  | {
      readonly kind: 'load'
      readonly run: string
      readonly load: number
      readonly isBehind: boolean
    }
  | undefined {
  const readEnd = endReader(network)
  return (name) => {
    const read = readEnd(name)
    if (!read.ok) return undefined
    const { end } = read
    if (end.kind === 'junction') return { kind: 'node', node: end.name }
    if (end.kind === 'supply') return { kind: 'node', node: network.supplies[end.index]?.id ?? '' }
    const run = network.runs[end.run]
    if (run === undefined) return undefined
    const isBehind = end.pad > 0 && end.pad >= run.loads
    return { kind: 'load', run: run.id, load: isBehind ? run.loads - 1 : end.pad, isBehind }
  }
}

/** Blocks whose terminals of one rail are one piece of copper. */
const isOneCopper: ReadonlySet<BlockKind> = new Set<BlockKind>([
  'supply',
  'junction',
  'board',
  'switch',
])

const railOf = ({ role }: Pick<Terminal, 'role'>): Rail | undefined =>
  role === 'plus' || role === 'minus' ? role : undefined

/** The tip of a meter on each terminal of the wiring, by the terminal's id. */
export function terminalTips(given: MendGiven, network: Network): ReadonlyMap<string, TipPlace> {
  const { wiring } = given
  const blocks = new Map(wiring.blocks.map((block) => [block.id, block]))
  const named = new Map(tipPlaces(given).map((tip) => [tip.id, tip]))
  const readEnd = endPlaces(network)
  const tips = new Map<string, TipPlace>()
  const nameOf = ({ block, label }: Terminal): string =>
    `${blocks.get(block)?.name ?? ''} ${label}`.trim()
  const known = (tip: TipPlace): TipPlace => named.get(tip.id) ?? tip

  /** … where the end of a lead is. */
  const atEnd = (terminal: Terminal, end: string, rail: Rail): TipPlace | undefined => {
    const place = readEnd(end)
    const name = nameOf(terminal)
    if (place === undefined) return undefined
    if (place.kind === 'node') return known({ ...nodeTip(place.node, name, rail), name })
    const tip = tapeTip(given, place.run, place.load, rail)
    const own = loadTip({ ...place, rail }, name)
    // A pad has its name from the tape.
    return known(tip?.id === own.id ? tip : { ...own, name })
  }
  const put = (terminal: Terminal, tip: TipPlace | undefined): void => {
    if (tip !== undefined && !tips.has(terminal.id)) tips.set(terminal.id, tip)
  }
  const linksOf = new Map(
    contactsOf(given).flatMap(({ joint, how, wire, links }) =>
      joint === undefined && how === 'wire' && wire !== undefined ? [[wire, links] as const] : [],
    ),
  )
  for (const { name, from, to, about } of wiring.wires)
    for (const link of linksOf.get(name) ?? []) {
      if (link.kind === 'lead') {
        const lead = network.leads[link.lead]
        if (lead === undefined) continue
        put(from, atEnd(from, lead.from, link.rail))
        put(to, atEnd(to, lead.to, link.rail))
      }
      if (link.kind === 'rail')
        for (const terminal of [from, to]) {
          const { spot } = terminal
          const [run = ''] = about
          const piece =
            spot.kind === 'piece'
              ? pieceEnds(given, run).find((one) => one.name === spot.piece)
              : undefined
          if (piece !== undefined && spot.kind === 'piece')
            put(
              terminal,
              known(
                loadTip(
                  {
                    rail: link.rail,
                    run,
                    load: spot.end === 'start' ? piece.first : piece.last,
                    isBehind: spot.end === 'end',
                  },
                  nameOf(terminal),
                ),
              ),
            )
        }
    }
  // What a block joins within itself, then all that carries signals.
  for (const { of, terminals } of wiring.blocks) {
    const joined = new Map<Rail, TipPlace>()
    for (const terminal of terminals) {
      const [rail, tip] = [railOf(terminal), tips.get(terminal.id)]
      if (rail !== undefined && tip !== undefined && isOneCopper.has(of.kind)) joined.set(rail, tip)
    }
    for (const terminal of terminals) {
      const rail = railOf(terminal)
      put(
        terminal,
        (rail === undefined ? undefined : joined.get(rail)) ?? {
          id: `terminal ${terminal.id}`,
          name: nameOf(terminal),
          at: { kind: 'signal', terminal: terminal.id },
        },
      )
    }
  }
  return tips
}
