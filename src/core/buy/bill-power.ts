import { dimmersOf } from '../lanes/dimmers'
import { sinkBoards } from '../lanes/drives'
import { isChemistry } from '../parts/chemistries'
import { switchedA } from '../feed/supplies'
import { buffer } from '../parts/drivers'
import { powerSwitchOf } from '../parts/power-switches'
import {
  soldBarrelSocket,
  soldBoard,
  soldBuffer,
  soldCell,
  soldDriver,
  soldHolder,
  soldInput,
  soldMosfet,
  soldPowerSwitch,
  soldSinkBoard,
  soldSplitter,
  soldStatusLight,
  soldSupply,
  soldTerminals,
  soldTrack,
  soldTransistor,
  soldTrigger,
  soldUsbCable,
  soldUsbLead,
} from '../parts/sold'
import { plural } from '../quantity/format'
import type { Bill, BillGiven } from './bill-lines'

/** Above this a source of USB-C needs a board that asks it for its volts, V (handbook 4). */
const plainUsbV = 5

/** Supplies, with what joins them to the plan. */
export function addSupplies(bill: Bill, { supplies, wiring }: BillGiven): void {
  const used = new Set(wiring.blocks.flatMap(({ of }) => (of.kind === 'supply' ? [of.supply] : [])))
  for (const { slot, part, currentA } of supplies) {
    if (part === undefined || !used.has(slot.id)) continue
    const share = { amount: 1, for: [slot.id], page: 'feed' } as const
    if (part.kind !== 'board-pin')
      bill.add(soldSupply(part), {
        what: 'supplies',
        ...share,
        ...(part.kind === 'usb-port' && { note: 'a port that you have' }),
      })
    if (part.kind === 'usb-port' || part.kind === 'usb-c' || part.kind === 'power-bank')
      bill.add(soldUsbLead, { what: 'to the source', ...share })
    if (part.kind === 'usb-c' && part.volts > plainUsbV)
      bill.add(soldTrigger(part.volts), { what: 'to request its volts', ...share })
    if (part.kind === 'brick')
      bill.add(soldBarrelSocket, { what: 'for the plug of the brick', ...share })
    const byHand = wiring.blocks.some(
      ({ of }) => of.kind === 'power-switch' && of.supply === slot.id,
    )
    const powerSwitch = byHand ? powerSwitchOf(slot, switchedA({ part, currentA })) : undefined
    if (powerSwitch !== undefined)
      bill.add(soldPowerSwitch(powerSwitch), { what: 'to switch it off', ...share })
    const { battery } = part
    // A pack is sold with its holder.
    if (battery !== undefined && part.kind === 'board-pin')
      bill.add(soldHolder, { what: 'at the raw input', ...share })
    if (battery !== undefined && isChemistry(battery.chemistry))
      bill.add(soldCell(battery.chemistry), {
        what: 'cells',
        ...share,
        amount: battery.inSeries * battery.inParallel,
      })
  }
}

/** Where leads branch, and where wires home meet. */
export function addJunctions(bill: Bill, { plan, wiring, lit, nodes }: BillGiven): void {
  const ownTerminals = new Set([
    ...lit.flatMap(({ id, settings }) => (settings.drive === 'sink' ? [id] : [])),
    ...nodes.flatMap(({ id, readers }) => (readers === undefined ? [] : [id])),
  ])
  for (const { of, terminals, name } of wiring.blocks) {
    if (of.kind === 'hub') {
      // Boards that drive or read them have terminals of their own.
      if (ownTerminals.has(of.run)) continue
      bill.add(soldTerminals(hubWays), {
        what: 'wires home',
        amount: Math.ceil(terminals.length / hubWays),
        for: [of.run],
        page: 'measure',
        note: `for ${name}`,
      })
      continue
    }
    if (of.kind !== 'junction') continue
    const junction = plan.junctions.find(({ id }) => id === of.junction)
    if (junction === undefined) continue
    const ways = new Set(terminals.flatMap(({ spot }) => (spot.kind === 'lead' ? [spot.lead] : [])))
      .size
    const share = { amount: 1, for: [junction.id], page: 'feed' } as const
    switch (junction.kind) {
      case 'splitter':
        bill.add(soldSplitter(junction.ways ?? Math.min(6, Math.max(2, ways))), {
          what: 'splitters',
          ...share,
        })
        break
      case 'track':
        bill.add(soldTrack(junction.limitA), { what: 'tracks', ...share })
        break
      case 'terminals':
        // Each lead takes a way, plus and minus, and so does what comes in.
        bill.add(soldTerminals(evenWays(2 * (ways + 1))), { what: 'blocks', ...share })
    }
  }
}

/** Ways of a terminal strip that wires home meet at. */
const hubWays = 12
const evenWays = (ways: number): number => Math.max(2, 2 * Math.ceil(ways / 2))

/** The board, what stands between it and the light, and what it listens to. */
export function addBoard(bill: Bill, { plan, fit, wiring }: BillGiven): void {
  // A board that was chosen and that nothing hangs on is not built.
  const isBuilt = wiring.blocks.some(({ of }) => of.kind === 'board')
  if (fit !== undefined && isBuilt) {
    bill.add(soldBoard(fit.board), { what: 'boards', amount: 1, for: [], page: 'signal' })
    if (plan.signal.boardFrom === 'usb' || plan.signal.usbToo === true)
      bill.add(soldUsbCable, { what: 'for the board', amount: 1, for: [], page: 'signal' })
  }
  const buffers = new Set(wiring.blocks.flatMap(({ id, of }) => (of.kind === 'buffer' ? [id] : [])))
  const buffered = wiring.wires.filter(({ from }) => buffers.has(from.block))
  bill.add(soldBuffer, {
    what: `${plural(buffered.length, 'data line')} by ${String(buffer.channels)}`,
    amount: Math.ceil(buffered.length / buffer.channels),
    for: buffered.flatMap(({ about }) => about),
    page: 'signal',
  })
  for (const { kind } of plan.signal.inputs)
    if (isBuilt) bill.add(soldInput(kind), { what: 'sensors', amount: 1, for: [], page: 'signal' })
  if (wiring.blocks.some(({ of }) => of.kind === 'input' && of.input === 'status'))
    bill.add(soldStatusLight, {
      what: 'by three colours',
      amount: Math.ceil(plan.signal.status.length / 3),
      for: [],
      page: 'signal',
    })
}

/** What switches and drives. */
export function addDrives(bill: Bill, { cutRuns, lit, wiring }: BillGiven): void {
  const blocks = new Set(
    wiring.blocks.flatMap(({ of }) => (of.kind === 'switch' ? [of.dimmer] : [])),
  )
  for (const { name, channels, runs, by } of dimmersOf(cutRuns, lit)) {
    if (!blocks.has(name)) continue
    const ids = runs.map(({ run }) => run.id)
    const withMosfet =
      by === 'channel-pins' ||
      lit.find(({ id }) => ids.includes(id))?.settings.switchWith === 'mosfet'
    bill.add(by === 'button' ? soldInput('button') : withMosfet ? soldMosfet : soldTransistor, {
      what: 'switched lines',
      amount: channels.length,
      for: ids,
      page: by === 'channel-pins' ? 'signal' : 'measure',
    })
  }
  for (const run of lit) {
    if (run.settings.drive === 'sink')
      bill.add(soldSinkBoard, {
        what: `${plural(run.strings, 'output')} by 16`,
        amount: sinkBoards(run).boards,
        for: [run.id],
        page: 'measure',
      })
    if (run.settings.drive === 'driver')
      bill.add(soldDriver, {
        what: `${String(run.rows)} rows × ${String(run.columns)} columns by 8 × 8`,
        amount: Math.ceil(run.rows / 8) * Math.ceil(run.columns / 8),
        for: [run.id],
        page: 'measure',
      })
  }
}
