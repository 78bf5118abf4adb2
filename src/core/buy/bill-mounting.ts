import { fixingPlaces } from '../build/clips'
import { isOnWire, pixelsInNode } from '../cut/on-wire'
import { mounted } from '../parts/mounted'
import {
  soldBox,
  soldOwnBox,
  soldClip,
  soldCover,
  soldEndCap,
  soldGland,
  soldGlue,
  soldMagnet,
  soldMountingClip,
  soldProfile,
  soldProfileCap,
  soldSealant,
  soldSheet,
  soldTape,
} from '../parts/sold'
import { plural } from '../quantity/format'
import { boxParts } from '../parts/sizes'
import { glandsOf } from '../wire/glands'
import type { BarPiece } from './bars'
import { cutLine, sumOf, type Bill, type BillGiven } from './bill-lines'

/** End caps, sealant and glands of runs that have them. */
export function addSealing(bill: Bill, { plan, cutRuns, wiring }: BillGiven): void {
  let isSealed = false
  for (const { run, strip, pieces } of cutRuns) {
    const { hasCaps, hasSleeve } = mounted(plan.own, run.line.mount)
    const own = pieces.filter((piece) => piece.groups > 0).length
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
  for (const { run, thickMm } of glandsOf(plan, cutRuns, wiring))
    bill.add(soldGland(thickMm), {
      what: 'where wires come in',
      amount: 1,
      for: [run],
      page: 'measure',
    })
}

/** Glue points from one stick. *Typical.* */
const pointsOfStick = 25

/** What holds strips that lie in no profile. */
export function addFixing(bill: Bill, { plan, cutRuns }: BillGiven): void {
  for (const { run, strip, pieces } of cutRuns) {
    const { fixing = plan.rules.fixing, profile, surface } = mounted(plan.own, run.line.mount)
    const onWire = isOnWire({ run, strip })
    // A string hangs by its nodes; where wire is soldered in each is held by itself.
    if (profile !== undefined || surface === 'air' || (onWire && run.line.isLengthened !== true))
      continue
    for (const { lengthMm, groups } of pieces) {
      if (groups === 0) continue
      const share = { for: [run.id], page: 'measure' } as const
      if (fixing === 'tape' && !onWire)
        bill.add(soldTape, { what: 'under strip', amount: lengthMm / 1000, ...share })
      if (fixing === 'backing' || fixing === 'tape') continue
      const points = onWire
        ? Math.ceil(groups / pixelsInNode(run))
        : fixingPlaces(strip, lengthMm).length
      if (fixing === 'clips')
        bill.add(soldClip(strip.widthMm), {
          what: onWire ? 'one a node' : 'between pixels',
          amount: points,
          ...share,
        })
      if (fixing === 'magnets')
        bill.add(soldMagnet, {
          what: onWire ? 'one a node' : 'along the strip',
          amount: points,
          ...share,
        })
      if (fixing === 'glue')
        bill.add(soldGlue, {
          what: `points by ${String(pointsOfStick)} from a stick`,
          amount: points / pointsOfStick,
          ...share,
        })
    }
  }
}

/** Profiles with their covers, end caps and clips. */
export function addBars(bill: Bill, { bars }: BillGiven): void {
  for (const { profile, bars: own, isProved } of bars) {
    const pieces = own.flatMap((bar) => bar.pieces)
    const runs = [...new Set(pieces.map(({ run }) => run))]
    const mmOf = (of: readonly BarPiece[]): number =>
      of.reduce((sum, { lengthMm }) => sum + lengthMm, 0)
    bill.settled.push(
      cutLine(
        soldProfile(profile),
        {
          what: plural(pieces.length, 'piece'),
          boughtMm: mmOf(pieces),
          from: own.map(({ lengthMm, price }) => ({ size: lengthMm / 1000, price })),
        },
        {
          rule: `sawn from bars, ${isProved ? 'at the least price there is' : 'cheapest found'}`,
          for: runs,
          page: 'measure',
        },
      ),
    )
    for (const cover of new Set(pieces.map((piece) => piece.cover))) {
      if (cover === 'none') continue
      // A cover is sawn like its profile, bar by bar.
      const covered = own.filter((bar) => bar.pieces.some((piece) => piece.cover === cover))
      const sold = soldCover(profile, cover)
      const covers = pieces.filter((piece) => piece.cover === cover)
      bill.settled.push(
        cutLine(
          sold,
          {
            what: plural(covers.length, 'piece'),
            boughtMm: mmOf(covers),
            from: covered.map(({ lengthMm }) => ({
              size: lengthMm / 1000,
              price: sold.packs.find(({ size }) => size === lengthMm / 1000)?.price ?? 0,
            })),
          },
          {
            rule: 'sawn like the profile',
            for: [...new Set(covers.map(({ run }) => run))],
            page: 'measure',
          },
        ),
      )
    }
    const share = { for: runs, page: 'measure' } as const
    const sides =
      profile.shape === 'bar'
        ? []
        : profile.beam === 'angled'
          ? (['left', 'right'] as const)
          : (['either'] as const)
    for (const side of sides)
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

/** Sheets of the sizes that cost least. */
export function addSheets(bill: Bill, { sheets }: BillGiven): void {
  for (const { material, size, sheets: own, tooLarge } of sheets) {
    const pieces = own.flatMap((sheet) => sheet.pieces)
    bill.settled.push({
      ...soldSheet(material, size),
      need: own.length,
      ...sumOf([{ name: `for ${plural(pieces.length, 'piece')}`, value: own.length, unit: '' }], 0),
      rule: 'the size that costs least',
      settled: own.length === 0 ? [] : [{ size: 1, price: size.price, count: own.length }],
      have: 0,
      for: [...new Set([...pieces, ...tooLarge].map(({ run }) => run))],
      page: 'measure',
      ...(tooLarge.length > 0 && {
        note: `${plural(tooLarge.length, 'piece')} larger than every sheet: make ${tooLarge.length === 1 ? 'it' : 'them'} of several`,
      }),
    })
  }
}

/** Boxes: as they are sold where one has just that size, else without a price. */
export function addBoxes(bill: Bill, { plan }: BillGiven): void {
  for (const { lengthMm, widthMm, tallMm, holds } of plan.buy.boxes ?? []) {
    const part = boxParts.find(
      (one) => one.lengthMm === lengthMm && one.widthMm === widthMm && one.tallMm === tallMm,
    )
    bill.add(part === undefined ? soldOwnBox({ lengthMm, widthMm, tallMm }) : soldBox(part), {
      what: 'one each',
      amount: 1,
      for: holds.filter((id) => id !== 'board'),
      page: 'buy',
    })
  }
}
