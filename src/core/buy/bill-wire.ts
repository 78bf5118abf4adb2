import { entryOf } from '../cut/entry-of'
import { diodeOf } from '../parts/diodes'
import {
  bundleThicknessMm,
  soldCable,
  soldCapacitor,
  soldConnector,
  soldDiode,
  soldFuse,
  soldFuseHolder,
  soldResistor,
  soldSleeve,
  soldSolder,
  soldTies,
  type Sold,
} from '../parts/sold'
import { ownPacks } from '../parts/sold-strip'
import { plural, significant } from '../quantity/format'
import type { Cable } from '../route/circuit'
import { bundlesOf } from '../wire/joints'
import { drawerLengths, spoolsFor, wireGroups, type Spool } from '../wire/spools'
import { bare } from '../wire/wires'
import { cutLine, type Bill, type BillGiven, type BillLine } from './bill-lines'

/** Single wires by gauge and colour, and cables by their cores. */
export function addWires(bill: Bill, { plan, wiring }: BillGiven): void {
  const drawer = drawerLengths(plan.buy)
  for (const { sold, wires, spools } of wireGroups(wiring.wires, plan.buy))
    bill.settled.push(
      spoolLine(sold, spools, 'wire', {
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
      spoolLine(sold, spoolsFor(sold, sorted, drawer.get(sold.id)), 'cable', {
        for: [...new Set(cables.map(({ run }) => run))],
        note: `about ${significant(thickMm, 2)} mm thick: look whether it goes through its hole`,
      }),
    )
  }
}

/** What is cut to length from spools, and from lengths in the drawer. */
function spoolLine(
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
  const count = plural(
    spools.reduce((sum, { cuts }) => sum + cuts.length, 0),
    what,
  )
  return cutLine(
    sold,
    {
      what: count,
      boughtMm: mmOf('spool'),
      given: { what: 'from the drawer', mm: mmOf('drawer') },
      from: spools
        .filter(({ kind }) => kind === 'spool')
        .map(({ lengthM, price }) => ({ size: lengthM, price })),
    },
    { rule: `${count}, each in one length`, isCutFromTaken: true, page: 'wire', ...rest },
  )
}

/** Power of a resistor that only carries a signal, W. *Typical.* */
const signalResistorW = 0.25

/** Sleeve over a joint, over a part in a wire, and over a leg of a light, mm. *Typical.* */
const sleeveMm = { joint: 25, inLine: 40, leg: 15 } as const
/** Solder for one wire end, mm of 0.8 mm wire (handbook 10). */
const solderMm = 10
/** Of a light's legs: thin wire. */
const legSleeveMm = 2.4

/** What sits in wires, capacitors, sleeves, solder and ties. */
export function addJointParts(bill: Bill, { wiring, joints, cutRuns }: BillGiven): void {
  const wiresIn = new Map<string, number>()
  for (const { bundle } of wiring.wires) wiresIn.set(bundle, (wiresIn.get(bundle) ?? 0) + 1)
  for (const { role, inLine, sleeveMm: boreMm, bareMm, about, apart, bundle } of wiring.wires) {
    for (const { kind, value } of inLine) {
      const share = { amount: 1, for: about, page: 'wire' } as const
      if (kind === 'fuse') {
        bill.add(soldFuse(Number(value)), { what: 'fuses', ...share, page: 'feed' })
        bill.add(soldFuseHolder, { what: 'fuses', ...share, page: 'feed' })
      } else if (kind === 'resistor')
        bill.add(soldResistor(Number(value), signalResistorW), { what: 'in wires', ...share })
      else if (kind === 'connector') {
        const sold = apart && soldConnector(apart)
        const own =
          role === 'data'
            ? ({ what: 'in data wires', ...share } as const)
            : ({ what: 'in leads', ...share, page: 'feed' } as const)
        if (sold !== undefined) bill.add(sold, own)
      } else bill.add(soldDiode(diodeOf(String(value))), { what: 'in wires', ...share })
    }
    if (boreMm === null) continue
    const ends = bareMm.filter((mm) => mm !== bare.screw).length
    const parts = inLine.filter(({ kind }) => kind !== 'connector')
    // Both halves of a plug on each wire of the lead.
    const plugged = apart?.by === 'solder' ? 2 * (wiresIn.get(bundle) ?? 0) : 0
    bill.add(soldSleeve(boreMm), {
      what: 'on wires',
      amount: ((ends + plugged) * sleeveMm.joint + parts.length * sleeveMm.inLine) / 1000,
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
  for (const { run, lights, legs, resistors, isPlugged } of wiring.lightJoints)
    if (!isPlugged)
      bill.add(soldSleeve(legSleeveMm), {
        what: 'on legs',
        amount: ((lights * legs + resistors) * sleeveMm.leg) / 1000,
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
    bundle.some(({ about }) => about.some((id) => entryOf(cutRuns, id) !== undefined)),
  )
  bill.add(soldTies, {
    what: 'two for each bundle of wires',
    amount: 2 * toRuns.length,
    for: [],
    page: 'wire',
  })
}
