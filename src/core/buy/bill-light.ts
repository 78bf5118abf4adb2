import { isOnWire } from '../cut/on-wire'
import type { LitRun } from '../load/lights'
import {
  soldExtension,
  soldLight,
  soldNodePart,
  soldReader,
  soldResistor,
  soldSplitter,
  soldUndecidedLight,
} from '../parts/sold'
import { soldStrip } from '../parts/sold-strip'
import { plural } from '../quantity/format'
import { extensionsOf } from '../route/plugs'
import { cutLine, type Bill, type BillGiven } from './bill-lines'

/** Strip on its reels. */
export function addReels(bill: Bill, { reels }: BillGiven): void {
  for (const { strip, reels: bins, isProved } of reels) {
    const cutMm = (kind: 'reel' | 'offcut'): number =>
      bins
        .filter((bin) => bin.kind === kind)
        .flatMap(({ cuts }) => cuts)
        .reduce((sum, { lengthMm }) => sum + lengthMm, 0)
    const pieces = bins.reduce((sum, { cuts }) => sum + cuts.length, 0)
    bill.settled.push(
      cutLine(
        soldStrip(strip),
        {
          what: 'cut from reels',
          boughtMm: cutMm('reel'),
          given: { what: 'from offcuts', mm: cutMm('offcut') },
          from: bins
            .filter(({ kind }) => kind === 'reel')
            .map(({ lengthMm, price }) => ({ size: lengthMm / 1000, price })),
        },
        {
          rule: `${plural(pieces, 'piece')}, ${isProved ? 'cut at the least price there is' : 'cheapest found so far; Cut can search on'}`,
          for: [...new Set(bins.flatMap(({ cuts }) => cuts.map(({ runId }) => runId)))],
          page: 'cut',
        },
      ),
    )
  }
}

/** Single lights with their resistors, and what they are plugged into. */
export function addLights(bill: Bill, { lit, plugs, plan, cutRuns }: BillGiven): void {
  for (const entry of cutRuns) {
    const { run } = entry
    if (run.line.lights === undefined && run.line.node === undefined && !isOnWire(entry))
      bill.add(soldUndecidedLight, {
        what: 'lights',
        amount: run.lights.length,
        for: [run.id],
        page: 'measure',
        note: 'choose what hangs there on the Measure page: its price and resistors follow',
      })
  }
  for (const { id, part, lights } of lit)
    bill.add(soldLight(part), { what: 'lights', amount: lights, for: [id], page: 'measure' })
  for (const run of lit) addResistors(bill, run)
  for (const tree of plugs) {
    for (const { splitters } of tree.leads)
      for (const { ways } of splitters)
        bill.add(soldSplitter(ways), {
          what: 'splitters',
          amount: 1,
          for: [tree.id],
          page: 'measure',
        })
    const hasExtensions =
      plan.lines.find(({ id }) => id === tree.id)?.lights?.hasExtensions === true
    for (const [lengthMm, count] of extensionsOf(tree))
      bill.add(soldExtension(lengthMm), {
        what: 'where a lead is too short',
        amount: count,
        for: [tree.id],
        page: 'measure',
        ...(!hasExtensions && { note: 'required by leads that do not reach' }),
      })
  }
}

function addResistors(bill: Bill, { id, colours }: LitRun): void {
  for (const { name, resistor, resistors } of colours)
    if (resistor !== undefined)
      bill.add(soldResistor(resistor.pickOhm, resistor.ratingW ?? 5), {
        what: name === '' ? 'for LEDs' : `for ${name}`,
        amount: resistors,
        for: [id],
        page: 'measure',
        ...(resistor.ratingW === null && { note: 'no resistor that is sold stands its heat' }),
      })
}

/** What nodes are made of, besides their lights. */
export function addNodes(bill: Bill, { nodes }: BillGiven): void {
  for (const { id, node, nodes: count, readers } of nodes) {
    for (const { name, count: each, isLight } of node.parts)
      if (isLight !== true)
        bill.add(soldNodePart(name), {
          what: 'in nodes',
          amount: each * count,
          for: [id],
          page: 'measure',
        })
    if (readers !== undefined && node.readers !== undefined)
      bill.add(soldReader(node.readers.each, node.readers.by), {
        what: 'boards',
        amount: readers.boards,
        for: [id],
        page: 'measure',
      })
  }
}
