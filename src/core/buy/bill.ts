import { entryOf } from '../cut/entry-of'
import { isOnWire } from '../cut/on-wire'
import { dimmersOf } from '../lanes/dimmers'
import { sinkBoards } from '../lanes/drives'
import { isChemistry } from '../parts/chemistries'
import { diodeOf } from '../parts/diodes'
import { mounted } from '../parts/mounted'
import {
  billGroups,
  bundleThicknessMm,
  soldBarrelSocket,
  soldBoard,
  soldBuffer,
  soldCable,
  soldCapacitor,
  soldCell,
  soldClip,
  soldCover,
  soldDiode,
  soldDriver,
  soldEndCap,
  soldExtension,
  soldFuse,
  soldFuseHolder,
  soldGland,
  soldGlue,
  soldInput,
  soldLight,
  soldMagnet,
  soldMosfet,
  soldMountingClip,
  soldNodePart,
  soldProfileCap,
  soldReader,
  soldResistor,
  soldSealant,
  soldSinkBoard,
  soldSleeve,
  soldSolder,
  soldSplitter,
  soldStatusLight,
  soldSupply,
  soldTape,
  soldTerminals,
  soldTies,
  soldTrack,
  soldTransistor,
  soldTrigger,
  soldUndecidedLight,
  soldUsbCable,
  soldUsbLead,
  type BillGroup,
  type Sold,
  type SoldPack,
} from '../parts/sold'
import { buffer } from '../parts/drivers'
import { ownPacks, soldStrip } from '../parts/sold-strip'
import { clipPlaces } from '../build/clips'
import type { BillUnit } from '../plan/choices'
import type { Plan } from '../plan/plan'
import { formatQuantity, plural, significant } from '../quantity/format'
import type { Operand, Working } from '../quantity/figure'
import type { LitRun } from '../load/lights'
import { extensionsOf } from '../route/plugs'
import type { Cable } from '../route/circuit'
import { bundlesOf } from '../wire/joints'
import { drawerLengths, spoolsFor, wireGroups, type Spool } from '../wire/spools'
import type { PlanWire } from '../wire/wires'
import type { WiredPlan } from '../wire/wired-plan'
import type { ProfileBars } from './bars'
import type { MaterialSheets } from './sheets'

/** The page on which something on the bill is decided. */
export type BillPage = 'measure' | 'cut' | 'feed' | 'signal' | 'wire' | 'buy'

/** Packs that are bought. */
export interface BoughtPack extends SoldPack {
  readonly count: number
}

/** One thing that the plan needs, whoever needs it. What it costs depends on prices and on the drawer: `receipt`. */
export interface BillLine extends Working {
  readonly id: string
  /** The id of the part that it is, where there is one: a strip's, a supply's. */
  readonly part?: string
  readonly group: BillGroup
  readonly name: string
  readonly unit: BillUnit
  /** With what is bought on top: whole pieces, metres to the centimetre. */
  readonly need: number
  /** How that came about beyond its sum. */
  readonly rule: string
  readonly packs: readonly SoldPack[]
  /** What the cutting has found already: reels, bars and sheets. */
  readonly settled?: readonly BoughtPack[]
  /** What is taken from the drawer is cut like what is bought: it counts in `have` already. */
  readonly isCutFromTaken?: true
  /** What rests of the plan give of it. */
  readonly have: number
  /** Ids of the runs, supplies and junctions that it is for. */
  readonly for: readonly string[]
  readonly page: BillPage
  readonly note?: string
}

export type BillGiven = Pick<
  WiredPlan,
  | 'plan'
  | 'cuts'
  | 'reels'
  | 'lit'
  | 'nodes'
  | 'plugs'
  | 'fit'
  | 'supplies'
  | 'volts'
  | 'wiring'
  | 'joints'
> & { readonly bars: readonly ProfileBars[]; readonly sheets: readonly MaterialSheets[] }

/** What one place contributes to a line. */
interface Share {
  /** What the number counts: the name of its operand. */
  readonly what: string
  readonly amount: number
  readonly for: readonly string[]
  readonly page: BillPage
  readonly note?: string
}

/** Lines while every stage adds what it needs. */
class Bill {
  private readonly lines = new Map<
    string,
    {
      readonly sold: Sold
      readonly shares: Map<string, number>
      readonly about: Set<string>
    } & Pick<Share, 'page' | 'note'>
  >()
  readonly settled: BillLine[] = []

  constructor(private readonly spare: number) {}

  add(sold: Sold, { what, amount, for: about, page, note }: Share): void {
    if (amount <= 0) return
    const line = this.lines.get(sold.id) ?? {
      sold,
      shares: new Map<string, number>(),
      about: new Set<string>(),
      page,
      ...(note !== undefined && { note }),
    }
    this.lines.set(sold.id, line)
    line.shares.set(what, (line.shares.get(what) ?? 0) + amount)
    for (const id of about) line.about.add(id)
  }

  /** All lines, group by group. */
  all(): BillLine[] {
    const summed = [...this.lines.values()].map(({ sold, shares, about, page, note }): BillLine => {
      const { id, part, group, name, unit, packs, hasSpare } = sold
      const spare = hasSpare === true ? this.spare : 0
      const operands = [...shares].map(([what, value]): Operand => ({
        name: what,
        value: unit === 'm' ? value * 1000 : value,
        unit: unit === 'm' ? 'mm' : '',
      }))
      const total = [...shares.values()].reduce((sum, value) => sum + value, 0) * (1 + spare)
      return {
        id,
        ...(part !== undefined && { part }),
        group,
        name,
        unit,
        need: unit === 'm' ? up(total, 100) : up(total, 1),
        ...sumOf(operands, spare),
        rule:
          spare > 0
            ? `with ${formatQuantity(spare, '%')} spare, rounded up`
            : unit === 'm'
              ? 'lengths of all of them'
              : 'one for each',
        packs,
        have: 0,
        for: [...about],
        page,
        ...(note !== undefined && { note }),
      }
    })
    const order = (line: BillLine): number => billGroups.indexOf(line.group)
    return [...this.settled, ...summed].toSorted(
      (a, b) => order(a) - order(b) || byName.compare(a.name, b.name),
    )
  }
}

const byName = new Intl.Collator('en', { numeric: true })

/** Up to the next whole of so many parts, past what rounding has left. */
const up = (value: number, parts: number): number => Math.ceil(value * parts - 1e-6) / parts

/** `{0} + {1}`, and what is bought on top. */
function sumOf(operands: readonly Operand[], spare: number): Working {
  const added = operands.map((_, index) => `{${String(index)}}`).join(' + ')
  if (spare === 0) return { operation: added, operands }
  return {
    operation: `${operands.length > 1 ? `(${added})` : added} × {${String(operands.length)}}`,
    operands: [...operands, { name: 'with spare', value: 1 + spare, unit: '' }],
  }
}

/**
 * Everything that has to be had for a plan, each thing once, whichever stages need it (handbook 10). A thing that the diagram, the joints, the
 * mounts or the nodes name is on it.
 */
export function billOf(given: BillGiven): BillLine[] {
  const bill = new Bill(given.plan.rules.spare)
  addReels(bill, given)
  addLights(bill, given)
  addSupplies(bill, given)
  addJunctions(bill, given)
  addBoard(bill, given)
  addDrives(bill, given)
  addWires(bill, given)
  addJointParts(bill, given)
  addSealing(bill, given)
  addFixing(bill, given)
  addBars(bill, given)
  addSheets(bill, given)
  addNodes(bill, given)
  addOwn(bill, given.plan)
  return bill.all()
}

/** Packs that the cutting found, by their size, largest first. */
function counted(
  sizes: readonly { readonly size: number; readonly price: number }[],
): BoughtPack[] {
  const bySize = new Map<number, BoughtPack>()
  for (const { size, price } of sizes)
    bySize.set(size, { size, price, count: (bySize.get(size)?.count ?? 0) + 1 })
  return [...bySize.values()].toSorted((a, b) => b.size - a.size)
}

function addReels(bill: Bill, { reels }: BillGiven): void {
  for (const { strip, reels: bins, isProved } of reels) {
    const cutMm = (kind: 'reel' | 'offcut'): number =>
      bins
        .filter((bin) => bin.kind === kind)
        .flatMap(({ cuts }) => cuts)
        .reduce((sum, { lengthMm }) => sum + lengthMm, 0)
    const pieces = bins.reduce((sum, { cuts }) => sum + cuts.length, 0)
    const [fromReels, fromRests] = [cutMm('reel') / 1000, cutMm('offcut') / 1000]
    bill.settled.push({
      ...soldStrip(strip),
      need: up(fromReels + fromRests, 100),
      ...sumOf(
        [
          { name: 'cut from reels', value: fromReels * 1000, unit: 'mm' },
          ...(fromRests > 0
            ? [{ name: 'from rests', value: fromRests * 1000, unit: 'mm' } as const]
            : []),
        ],
        0,
      ),
      rule: `${plural(pieces, 'piece')}, ${isProved ? 'cut at the least price there is' : 'cheapest found so far; Cut can search on'}`,
      settled: counted(
        bins
          .filter(({ kind }) => kind === 'reel')
          .map(({ lengthMm, price }) => ({ size: lengthMm / 1000, price })),
      ),
      have: up(fromRests, 100),
      for: [...new Set(bins.flatMap(({ cuts }) => cuts.map(({ runId }) => runId)))],
      page: 'cut',
    })
  }
}

function addLights(bill: Bill, { lit, plugs, plan, cuts }: BillGiven): void {
  for (const entry of cuts) {
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
        ...(!hasExtensions && { note: 'asked for by leads that do not reach' }),
      })
  }
}

/** Power of a resistor that only carries a signal, W. *Typical.* */
const signalResistorW = 0.25

function addResistors(bill: Bill, { id, resistor, resistors }: LitRun): void {
  if (resistor === undefined) return
  bill.add(soldResistor(resistor.pickOhm, resistor.ratingW ?? 5), {
    what: 'for LEDs',
    amount: resistors,
    for: [id],
    page: 'measure',
    ...(resistor.ratingW === null && { note: 'no resistor that is sold stands its heat' }),
  })
}

/** Above this a source of USB-C needs a board that asks it for its volts, V (handbook 4). */
const plainUsbV = 5

function addSupplies(bill: Bill, { supplies, wiring }: BillGiven): void {
  const used = new Set(wiring.blocks.flatMap(({ of }) => (of.kind === 'supply' ? [of.supply] : [])))
  for (const { slot, part } of supplies) {
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
      bill.add(soldTrigger(part.volts), { what: 'to ask for its volts', ...share })
    if (part.kind === 'brick')
      bill.add(soldBarrelSocket, { what: 'for the plug of the brick', ...share })
    const { battery } = part
    if (battery !== undefined && isChemistry(battery.chemistry))
      bill.add(soldCell(battery.chemistry), {
        what: 'cells',
        ...share,
        amount: battery.inSeries * battery.inParallel,
      })
  }
}

function addJunctions(bill: Bill, { plan, wiring, lit, nodes }: BillGiven): void {
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

function addBoard(bill: Bill, { plan, fit, wiring }: BillGiven): void {
  // A board that was chosen and that nothing hangs on is not built.
  const isBuilt = wiring.blocks.some(({ of }) => of.kind === 'board')
  if (fit !== undefined && isBuilt) {
    bill.add(soldBoard(fit.board), { what: 'boards', amount: 1, for: [], page: 'signal' })
    if (plan.signal.boardFrom === 'usb' || plan.signal.usbToo === true)
      bill.add(soldUsbCable, { what: 'for the board', amount: 1, for: [], page: 'signal' })
  }
  const ids = (wires: readonly PlanWire[]): string[] => wires.flatMap(({ about }) => about)
  const buffers = new Set(wiring.blocks.flatMap(({ id, of }) => (of.kind === 'buffer' ? [id] : [])))
  const buffered = wiring.wires.filter(({ from }) => buffers.has(from.block))
  bill.add(soldBuffer, {
    what: `${plural(buffered.length, 'data line')} by ${String(buffer.channels)}`,
    amount: Math.ceil(buffered.length / buffer.channels),
    for: ids(buffered),
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

function addDrives(bill: Bill, { cuts, lit, wiring }: BillGiven): void {
  const blocks = new Set(
    wiring.blocks.flatMap(({ of }) => (of.kind === 'switch' ? [of.dimmer] : [])),
  )
  for (const { name, channels, runs, by } of dimmersOf(cuts, lit)) {
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

function addWires(bill: Bill, { plan, wiring }: BillGiven): void {
  const drawer = drawerLengths(plan.buy)
  for (const { sold, wires, spools } of wireGroups(wiring.wires, plan.buy))
    bill.settled.push(
      cutLine(sold, spools, 'wire', {
        for: [...new Set(wires.flatMap(({ about }) => about))],
      }),
    )
  const gaugeOf = new Map(
    wiring.wires.flatMap(({ cable, gauge }) =>
      cable === undefined ? [] : [[cable.cable, gauge] as const],
    ),
  )
  const byKind = new Map<string, { sold: Sold; cables: Cable[]; thickMm: number }>()
  for (const cable of wiring.cables) {
    const gauge = gaugeOf.get(cable.name)
    if (gauge === undefined) continue
    const shipped = soldCable(cable.cores, gauge)
    const sold = { ...shipped, packs: ownPacks(shipped, plan.buy) }
    const known = byKind.get(sold.id)
    if (known === undefined)
      byKind.set(sold.id, {
        sold,
        cables: [cable],
        thickMm: bundleThicknessMm(cable.cores, gauge),
      })
    else known.cables.push(cable)
  }
  for (const { sold, cables, thickMm } of byKind.values()) {
    const sorted = cables.toSorted((a, b) => b.lengthMm - a.lengthMm)
    bill.settled.push(
      cutLine(sold, spoolsFor(sold, sorted, drawer.get(sold.id)), 'cable', {
        for: [...new Set(cables.map(({ run }) => run))],
        note: `about ${significant(thickMm, 2)} mm thick: look whether it goes through its hole`,
      }),
    )
  }
}

/** What is cut to length from spools, and from lengths in the drawer. */
function cutLine(
  sold: Sold,
  spools: readonly Spool[],
  what: string,
  rest: Pick<BillLine, 'for' | 'note'>,
): BillLine {
  const mmOf = (kind: Spool['kind']): number =>
    spools
      .filter((spool) => spool.kind === kind)
      .flatMap(({ cuts }) => cuts)
      .reduce((sum, { lengthMm }) => sum + lengthMm, 0)
  const [bought, given] = [mmOf('spool'), mmOf('drawer')]
  const count = spools.reduce((sum, { cuts }) => sum + cuts.length, 0)
  return {
    ...sold,
    need: up((bought + given) / 1000, 100),
    ...sumOf(
      [
        { name: plural(count, what), value: bought, unit: 'mm' },
        ...(given > 0 ? [{ name: 'from the drawer', value: given, unit: 'mm' } as const] : []),
      ],
      0,
    ),
    rule: `${plural(count, what)}, each in one length`,
    settled: counted(
      spools
        .filter(({ kind }) => kind === 'spool')
        .map(({ lengthM, price }) => ({ size: lengthM, price })),
    ),
    isCutFromTaken: true,
    have: up(given / 1000, 100),
    page: 'wire',
    ...rest,
  }
}

/** Sleeve over a joint, over a part in a wire, and over a leg of a light, mm. *Typical.* */
const sleeveMm = { joint: 25, inLine: 40, leg: 15 } as const
/** Solder for one wire end, mm of 0.8 mm wire (handbook 10). */
const solderMm = 10
/** Of a light's legs: thin wire. */
const legSleeve = '2.4 mm'

/** What sits in wires, capacitors, sleeves, solder and ties. */
function addJointParts(bill: Bill, { wiring, joints, cuts }: BillGiven): void {
  const screwMm = 7
  for (const { inLine, sleeve, bareMm, about } of wiring.wires) {
    for (const { kind, value } of inLine) {
      const share = { amount: 1, for: about, page: 'wire' } as const
      if (kind === 'fuse') {
        bill.add(soldFuse(Number(value)), { what: 'fuses', ...share, page: 'feed' })
        bill.add(soldFuseHolder, { what: 'fuses', ...share, page: 'feed' })
      } else if (kind === 'resistor')
        bill.add(soldResistor(Number(value), signalResistorW), { what: 'in wires', ...share })
      else bill.add(soldDiode(diodeOf(String(value))), { what: 'in wires', ...share })
    }
    if (sleeve === null) continue
    const ends = bareMm.filter((mm) => mm !== screwMm).length
    bill.add(soldSleeve(sleeve), {
      what: 'on wires',
      amount: (ends * sleeveMm.joint + inLine.length * sleeveMm.inLine) / 1000,
      for: about,
      page: 'wire',
    })
  }
  for (const { microfarad, ratingV, at } of wiring.capacitors)
    bill.add(soldCapacitor(microfarad, ratingV), {
      what: 'at first feeds',
      amount: 1,
      for: [at.run],
      page: 'feed',
    })
  for (const { run, lights, resistors, isPlugged } of wiring.lightJoints)
    if (!isPlugged)
      bill.add(soldSleeve(legSleeve), {
        what: 'on legs',
        amount: ((lights * 2 + resistors) * sleeveMm.leg) / 1000,
        for: [run],
        page: 'measure',
      })
  const soldered = joints.reduce((sum, joint) => sum + joint.soldered, 0)
  bill.add(soldSolder, {
    what: `${plural(soldered, 'soldered end')} of 10 mm`,
    amount: (soldered * solderMm) / 1000,
    for: [],
    page: 'wire',
  })
  // A tie where a bundle comes to a run, and one at the other end.
  const toRuns = bundlesOf(wiring.wires).filter((bundle) =>
    bundle.some(({ about }) => about.some((id) => entryOf(cuts, id) !== undefined)),
  )
  bill.add(soldTies, {
    what: 'two for each bundle of wires',
    amount: 2 * toRuns.length,
    for: [],
    page: 'wire',
  })
}

/** End caps, sealant and glands of runs that have them. */
function addSealing(bill: Bill, { cuts, wiring }: BillGiven): void {
  let isSealed = false
  for (const { run, strip, pieces } of cuts) {
    const { hasCaps, hasSleeve } = mounted(run.line.mount)
    const own = pieces.filter((piece) => piece.cuts > 0).length
    if ((!hasCaps && !hasSleeve) || own === 0 || isOnWire({ run, strip })) continue
    isSealed = true
    bill.add(soldEndCap(strip.widthMm), {
      what: 'two for each piece',
      amount: 2 * own,
      for: [run.id],
      page: 'measure',
    })
  }
  if (isSealed)
    bill.add(soldSealant, { what: 'behind the caps', amount: 1, for: [], page: 'measure' })
  const blockOf = new Map(wiring.blocks.map((block) => [block.id, block]))
  for (const bundle of bundlesOf(wiring.wires)) {
    const [first] = bundle
    const ends = first === undefined ? [] : [first.to, first.from]
    for (const { block, spot } of ends) {
      const of = blockOf.get(block)?.of
      if (first === undefined || of?.kind !== 'run' || spot.kind === 'splitter') continue
      const entry = entryOf(cuts, of.run)
      if (entry === undefined || mounted(entry.run.line.mount).damp !== 'outdoors') continue
      const thickMm = bundleThicknessMm(bundle.length, first.gauge)
      bill.add(soldGland(thickMm), {
        what: 'where wires come in',
        amount: 1,
        for: [of.run],
        page: 'measure',
      })
    }
  }
}

/** Clips are at most so far apart, and from an end; glue points and magnets as well, mm. *Typical.* */
const fixingMm = { apart: 300, end: 60 } as const
/** Glue points from one stick. *Typical.* */
const pointsOfStick = 25

/** What holds strips that lie in no profile. */
function addFixing(bill: Bill, { plan, cuts }: BillGiven): void {
  for (const { run, strip, pieces } of cuts) {
    const { fixing = plan.rules.fixing, profile, surface } = mounted(run.line.mount)
    if (profile !== undefined || surface === 'air' || isOnWire({ run, strip })) continue
    for (const { lengthMm, cuts: groups } of pieces) {
      if (groups === 0) continue
      const share = { for: [run.id], page: 'measure' } as const
      if (fixing === 'tape')
        bill.add(soldTape, { what: 'under strip', amount: lengthMm / 1000, ...share })
      if (fixing === 'backing' || fixing === 'tape') continue
      const points = fixingPoints(strip, lengthMm)
      if (fixing === 'clips')
        bill.add(soldClip(strip.widthMm), { what: 'between pixels', amount: points, ...share })
      if (fixing === 'magnets')
        bill.add(soldMagnet, { what: 'along the strip', amount: points, ...share })
      if (fixing === 'glue')
        bill.add(soldGlue, {
          what: `points by ${String(pointsOfStick)} from a stick`,
          amount: points / pointsOfStick,
          ...share,
        })
    }
  }
}

/** How many clips hold a piece: half way between pixels where they can be (sum `clips`), else by its length. */
function fixingPoints(
  { light, cutPitchMm }: BillGiven['cuts'][number]['strip'],
  lengthMm: number,
): number {
  const pitchMm = light.kind === 'pixels' ? 1000 / light.perM : cutPitchMm
  const places = clipPlaces({
    lengthMm,
    pixelPitchMm: pitchMm,
    firstPixelMm: pitchMm / 2,
    mostApartMm: fixingMm.apart,
    endMm: fixingMm.end,
  })
  return places?.length ?? Math.max(1, Math.ceil(lengthMm / fixingMm.apart))
}

function addBars(bill: Bill, { bars }: BillGiven): void {
  for (const { profile, bars: own, isProved } of bars) {
    const pieces = own.flatMap((bar) => bar.pieces)
    const runs = [...new Set(pieces.map(({ run }) => run))]
    const metresOf = (of: readonly { readonly lengthMm: number }[]): number =>
      of.reduce((sum, { lengthMm }) => sum + lengthMm, 0) / 1000
    bill.settled.push({
      id: `profile.${profile.id}`,
      group: 'mounting',
      name: profile.name,
      unit: 'm',
      need: up(metresOf(pieces), 100),
      ...sumOf(
        [{ name: plural(pieces.length, 'piece'), value: metresOf(pieces) * 1000, unit: 'mm' }],
        0,
      ),
      rule: `sawn from bars, ${isProved ? 'at the least price there is' : 'cheapest found'}`,
      packs: profile.bars.map(({ lengthMm, price }) => ({ size: lengthMm / 1000, price })),
      settled: counted(own.map(({ lengthMm, price }) => ({ size: lengthMm / 1000, price }))),
      have: 0,
      for: runs,
      page: 'measure',
    })
    for (const cover of new Set(pieces.map((piece) => piece.cover))) {
      if (cover === 'none') continue
      // A cover is sawn like its profile, bar by bar.
      const covered = own.filter((bar) => bar.pieces.some((piece) => piece.cover === cover))
      const sold = soldCover(profile, cover)
      const covers = pieces.filter((piece) => piece.cover === cover)
      bill.settled.push({
        ...sold,
        need: up(metresOf(covers), 100),
        ...sumOf(
          [{ name: plural(covers.length, 'piece'), value: metresOf(covers) * 1000, unit: 'mm' }],
          0,
        ),
        rule: 'sawn like the profile',
        settled: counted(
          covered.map(({ lengthMm }) => ({
            size: lengthMm / 1000,
            price: sold.packs.find(({ size }) => size === lengthMm / 1000)?.price ?? 0,
          })),
        ),
        have: 0,
        for: [...new Set(covers.map(({ run }) => run))],
        page: 'measure',
      })
    }
    const share = { for: runs, page: 'measure' } as const
    for (const side of profile.beam === 'angled'
      ? (['left', 'right'] as const)
      : (['either'] as const))
      bill.add(soldProfileCap(profile, side), {
        what: side === 'either' ? 'two for each piece' : 'one for each piece',
        amount: pieces.length * (side === 'either' ? 2 : 1),
        ...share,
      })
    bill.add(soldMountingClip(profile), {
      what: 'two for each piece, and one more every half metre',
      amount: pieces.reduce(
        (sum, { lengthMm }) => sum + 2 + Math.floor(Math.max(0, lengthMm - 500) / 500),
        0,
      ),
      ...share,
    })
  }
}

function addSheets(bill: Bill, { sheets }: BillGiven): void {
  for (const { material, size, sheets: own, price, tooLarge } of sheets) {
    const pieces = own.flatMap((sheet) => sheet.pieces)
    const text = `${String(size.widthMm / 10)} × ${String(size.heightMm / 10)} cm`
    bill.settled.push({
      id: `sheet.${material.id}.${String(size.widthMm)}x${String(size.heightMm)}`,
      group: 'sheets',
      name: `${material.name}, ${text}`,
      unit: 'sheet',
      need: own.length,
      ...sumOf([{ name: `for ${plural(pieces.length, 'piece')}`, value: own.length, unit: '' }], 0),
      rule: 'the size that costs least',
      packs: [{ size: 1, price: size.price }],
      settled: own.length === 0 ? [] : [{ size: 1, price: price / own.length, count: own.length }],
      have: 0,
      for: [...new Set([...pieces, ...tooLarge].map(({ run }) => run))],
      page: 'measure',
      ...(tooLarge.length > 0 && {
        note: `${plural(tooLarge.length, 'piece')} larger than every sheet: make ${tooLarge.length === 1 ? 'it' : 'them'} of several`,
      }),
    })
  }
}

function addNodes(bill: Bill, { nodes }: BillGiven): void {
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

function addOwn(bill: Bill, { buy }: Plan): void {
  for (const { id, name, need, unit, price = null } of buy.lines)
    bill.settled.push({
      id: `own.${id}`,
      group: 'own',
      name,
      unit,
      need,
      ...sumOf([{ name: 'as you say', value: need, unit: unit === 'm' ? 'm' : '' }], 0),
      rule: 'your own line',
      packs: [{ size: 1, price }],
      have: 0,
      for: [],
      page: 'buy',
    })
}
