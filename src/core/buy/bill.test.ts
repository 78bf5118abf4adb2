import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyPlan } from '../../testing/any-plan'
import { demoPlan } from '../../testing/demo-plan'
import { runs } from '../../testing/runs'
import { isOnWire } from '../cut/on-wire'
import { mounted } from '../parts/mounted'
import { change } from '../plan/commands'
import type { Plan } from '../plan/plan'
import { sawKerfMm } from '../parts/profiles'
import { worked } from '../worked'
import type { BillLine } from './bill-lines'
import { takenFor, withDrawer } from './drawer'
import { receiptOf } from './receipt'

const sum = (values: readonly number[]): number => values.reduce((all, one) => all + one, 0)
const needOf = (bill: readonly BillLine[], isIt: (line: BillLine) => boolean): number =>
  sum(bill.filter(isIt).map(({ need }) => need))
const named =
  (text: string) =>
  ({ name }: BillLine): boolean =>
    name.startsWith(text)

describe('the bill of any plan', () => {
  it('has whatever the diagram, the joints, the mounts and the nodes name', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const { bill, wiring, joints, cutRuns, lit, nodes, reels } = worked(plan)
        const need = (text: string): number => needOf(bill, named(text))

        // Wires by gauge and colour, but for those in cables.
        const single = wiring.wires.filter(({ cable }) => cable === undefined)
        for (const { gauge, colour } of single) {
          const own = single.filter((one) => one.gauge === gauge && one.colour === colour)
          const line = bill.filter(({ name }) => name === `wire ${gauge.name}, ${colour}`)
          expect(line).toHaveLength(1)
          const metres = sum(own.map(({ lengthMm }) => lengthMm)) / 1000
          expect(line[0]!.need).toBeGreaterThanOrEqual(metres - 1e-6)
          expect(line[0]!.need).toBeLessThan(metres + 0.0101)
        }
        expect(need('cable,')).toBeCloseTo(sum(wiring.cables.map((one) => one.lengthMm)) / 1000, 0)

        // What sits in wires: each of its value, and a holder for each fuse.
        const inLine = wiring.wires.flatMap((wire) => wire.inLine)
        const fuses = inLine.filter(({ kind }) => kind === 'fuse')
        expect(need('fuse holder')).toBe(fuses.length)
        for (const { text } of fuses)
          expect(need(`fuse, ${text}`)).toBe(fuses.filter((one) => one.text === text).length)
        const resistors =
          inLine.filter(({ kind }) => kind === 'resistor').length +
          sum(lit.map((run) => run.resistors))
        expect(need('resistor,')).toBeGreaterThanOrEqual(resistors * (1 + plan.rules.spare) - 1e-6)
        expect(need('resistor,') > 0).toBe(resistors > 0)
        for (const { text } of wiring.capacitors)
          expect(need(`capacitor, ${text}`)).toBe(
            wiring.capacitors.filter((one) => one.text === text).length,
          )

        // Blocks of the diagram.
        const kinds = (kind: string): number =>
          wiring.blocks.filter(({ of }) => of.kind === kind).length
        for (const { of, detail } of wiring.blocks)
          if (of.kind === 'supply' && bill.some(({ name }) => name === detail))
            expect(needOf(bill, ({ name }) => name === detail)).toBeGreaterThan(0)
        expect(bill.filter(({ id }) => id.startsWith('board.')).length).toBe(kinds('board'))
        expect(need('level buffer') > 0).toBe(kinds('buffer') > 0)
        if (kinds('switch') > 0)
          expect(
            needOf(bill, ({ id }) => ['mosfet', 'transistor', 'sensor.button'].includes(id)),
          ).toBeGreaterThanOrEqual(kinds('switch'))
        const inputs = wiring.blocks.filter(
          ({ of }) => of.kind === 'input' && of.input !== 'status',
        )
        expect(needOf(bill, ({ id }) => id.startsWith('sensor.'))).toBeGreaterThanOrEqual(
          inputs.length,
        )
        for (const { of } of wiring.blocks)
          if (of.kind === 'junction')
            expect(bill.some((line) => line.for.includes(of.junction))).toBe(true)

        // What the joints want threaded on first.
        for (const text of new Set(joints.flatMap(({ threadFirst }) => threadFirst))) {
          if (text.startsWith('sleeve '))
            expect(
              needOf(
                bill,
                ({ name }) =>
                  /^heat-shrink sleeve, (.+) \((.+)\)$/
                    .exec(name)
                    ?.slice(1)
                    .includes(/^sleeve (.+?) on W/.exec(text)?.[1] ?? '2.4 mm') === true,
              ),
            ).toBeGreaterThan(0)
          else if (text === 'gland') expect(need('gland')).toBeGreaterThan(0)
        }
        expect(need('solder')).toBeCloseTo(sum(joints.map(({ soldered }) => soldered)) / 100, 1)

        // Mounts.
        for (const { run, pieces, strip } of cutRuns) {
          const { hasCaps, hasSleeve, profile } = mounted(plan.own, run.line.mount)
          const own = pieces.filter((piece) => piece.groups > 0).length
          if ((hasCaps || hasSleeve) && own > 0 && strip.nodesPerString === undefined)
            expect(
              needOf(
                bill,
                (line) => line.for.includes(run.id) && named('end cap for a sealed')(line),
              ),
            ).toBeGreaterThanOrEqual(2 * own)
          if (profile !== undefined && run.segments.length > 0)
            expect(bill.find(({ id }) => id === `profile.${profile}`)?.for).toContain(run.id)
        }
        for (const { node, nodes: count, id } of nodes)
          for (const part of node.parts)
            expect(
              needOf(bill, (line) => line.name === part.name && line.for.includes(id)),
            ).toBeGreaterThanOrEqual(part.count * count)

        // Every single light, chosen or not.
        const lights = cutRuns.filter(
          (entry) => entry.run.line.node === undefined && !isOnWire(entry),
        )
        expect(needOf(bill, ({ id }) => /^light[.-]/.test(id))).toBeGreaterThanOrEqual(
          sum(lights.map(({ run }) => run.lights.length)),
        )

        // Reels are those that the cutting found.
        for (const { strip, reels: bins } of reels)
          expect(
            sum(bill.find(({ part }) => part === strip.id)!.settled!.map(({ count }) => count)),
          ).toBe(bins.filter(({ kind }) => kind === 'reel').length)

        for (const line of bill) {
          expect(line.need, line.name).toBeGreaterThanOrEqual(0)
          expect(Number.isFinite(line.need)).toBe(true)
        }
        expect(new Set(bill.map(({ id }) => id)).size).toBe(bill.length)
      }),
      { numRuns: runs(60) },
    )
  })

  it('is covered by its packs and the drawer, and its total is the sum of its costs', () => {
    fc.assert(
      fc.property(anyPlan, fc.nat({ max: 6 }), (plan, amount) => {
        const { bill } = worked(plan)
        const items = bill
          .filter(({ settled }) => settled === undefined)
          .map(({ name, unit }, index) => ({
            id: `d${String(index)}`,
            name,
            unit,
            amount: amount + 1,
          }))
        const [without, withDrawer] = [
          receiptOf(bill, plan.buy),
          receiptOf(bill, { prices: [], taken: takenFor(bill, items) }),
        ]
        for (const { lines, total, unpriced } of [without, withDrawer]) {
          for (const { buys, have, need, cost, name } of lines) {
            const bought = sum(buys.map(({ size, count }) => size * count))
            expect(bought + have, name).toBeGreaterThanOrEqual(need - 1e-6)
            expect(cost).toBe(
              buys.some(({ price }) => price === null)
                ? null
                : sum(buys.map(({ price, count }) => (price ?? 0) * count)),
            )
          }
          expect(total).toBeCloseTo(sum(lines.map(({ cost }) => cost ?? 0)), 6)
          expect(unpriced).toBe(lines.filter(({ cost }) => cost === null).length)
        }
        for (const [index, { have, need, settled, cost }] of withDrawer.lines.entries()) {
          if (settled !== undefined) continue
          expect(have).toBeCloseTo(Math.min(need, amount + 1), 6)
          expect(cost ?? 0).toBeLessThanOrEqual((without.lines[index]?.cost ?? 0) + 1e-6)
        }
      }),
      { numRuns: runs(30) },
    )
  })
})

describe('the nook', () => {
  const plan = demoPlan('bay-window-nook')

  it('takes offcuts of strip from the drawer before a reel is opened', () => {
    const strips = new Set(['pixels-5v-60-low'])
    const items = [
      { id: 'r', part: 'pixels-5v-60-low', name: 'rest', unit: 'mm', amount: 4000 },
      { id: 'w', name: 'Wire 1 mm², red', unit: 'm', amount: 4 },
    ] as const
    const taking = withDrawer(plan, items, strips, (one) => worked(one).bill)
    expect(taking.buy.taken).toEqual([{ item: 'w', line: 'wire.mm2-1.red', amount: 4 }])
    const [before, after] = [plan, taking].map((one) =>
      worked(one).bill.find(({ part }) => part === 'pixels-5v-60-low'),
    )
    expect(sum(before!.settled!.map(({ count }) => count))).toBe(2)
    expect(sum(after!.settled!.map(({ count }) => count))).toBe(1)
    expect(after!.have).toBeGreaterThan(3)
    expect(after!.need).toBe(before!.need)
    // Wire that is taken is cut like a spool: counted once, in the bill and on the receipt.
    const wire = { bill: worked(taking).bill, lines: worked(taking).receipt.lines }
    const haveOf = (lines: readonly BillLine[]): number =>
      lines.find(({ id }) => id === 'wire.mm2-1.red')!.have
    expect(haveOf(wire.lines)).toBe(haveOf(wire.bill))
    expect(haveOf(wire.bill)).toBeLessThanOrEqual(4)
    expect(haveOf(wire.bill)).toBeGreaterThan(1)
  })

  it('own prices beat typical ones, and a pack of one’s own is taken where it pays', () => {
    const { bill } = worked(plan)
    const costWith = (name: string, packs: { size: number; price: number }[]): number | null => {
      const { id } = bill.find((line) => line.name === name)!
      const prices = packs.length === 0 ? [] : [{ line: id, packs }]
      const { receipt } = worked({ ...plan, buy: { ...plan.buy, prices } })
      return receipt.lines.find((line) => line.id === id)!.cost
    }
    const sleeve = 'heat-shrink sleeve, 4.8 mm (3/16")'
    const { need } = bill.find(({ name }) => name === sleeve)!
    expect(costWith(sleeve, [{ size: 1, price: 0.01 }])).toBeCloseTo(Math.ceil(need) * 0.01)
    expect(costWith(sleeve, [{ size: 20, price: 0.5 }])).toBe(0.5)
    // Strip is cut from the reels that pay; the longest piece is 2.13 m.
    const strip = '5 V RGB pixels, 60/m, low current'
    const reels = (size: number, price: number): number[] => {
      const prices = [{ line: 'strip.pixels-5v-60-low', packs: [{ size, price }] }]
      const { bill: own } = worked({ ...plan, buy: { ...plan.buy, prices } })
      return own.find(({ name }) => name === strip)!.settled!.map((pack) => pack.size)
    }
    expect(reels(5, 30)).toEqual([5])
    expect(reels(2, 1)).toEqual([5, 2])
    expect(reels(20, 9)).toEqual([20])
    expect(costWith(strip, [{ size: 20, price: 9 }])).toBe(9)
    // Wire is cut from the spool that pays, whole lengths each.
    const wire = 'wire 1 mm², red'
    expect(costWith(wire, [{ size: 20, price: 1.5 }])).toBe(1.5)
    expect(costWith(wire, [{ size: 10, price: 1 }])).toBeLessThan(costWith(wire, [])! - 2)
  })
})

describe('the drawer', () => {
  const plan = demoPlan('bay-window-nook')

  it('gives one thing to one line only, whatever the lines are called', () => {
    const own = ['a', 'b'].map((id) => ({
      id,
      name: 'spray paint',
      need: 1,
      unit: 'piece' as const,
    }))
    const { bill } = worked({ ...plan, buy: { ...plan.buy, lines: own } })
    const taken = takenFor(bill, [{ id: 'can', name: 'Spray paint', unit: 'piece', amount: 1.5 }])
    expect(taken.map(({ amount }) => amount)).toEqual([1, 0.5])
  })

  it('knows an offcut of strip by mm and by m', () => {
    const offcuts = (['mm', 'm'] as const).map((unit) => ({
      id: unit,
      part: 'pixels-5v-60-low',
      name: 'rest',
      unit,
      amount: unit === 'm' ? 1.5 : 1500,
    }))
    const taking = withDrawer(plan, offcuts, new Set(['pixels-5v-60-low']), () => [])
    expect(taking.offcuts.map(({ lengthMm }) => lengthMm)).toEqual([1500, 1500])
  })
})

describe('things that come with others', () => {
  const needIn = (plan: Plan, text: string): number => needOf(worked(plan).bill, named(text))

  it('fourteen LEDs have fourteen resistors and spares, and a holder its four cells', () => {
    const plan = demoPlan('paper-lanterns')
    expect(needIn(plan, 'warm white LED')).toBe(14)
    expect(needIn(plan, 'resistor, 100 Ω')).toBe(Math.ceil(14 * 1.1))
    expect(needIn(plan, 'AA cell, rechargeable')).toBe(4)
    const more = {
      ...plan.supplies[0]!,
      part: 'own',
    }
    const part = {
      ...worked(plan).supplies[0]!.part!,
      id: 'own',
      battery: { chemistry: 'nimh-aa', inSeries: 4, inParallel: 2, cutoffV: 4 },
    }
    const twice = { ...plan, supplies: [more], own: { ...plan.own, supplies: [part] } }
    expect(needIn(twice, 'AA cell, rechargeable')).toBe(8)
  })

  it.each([
    ['usb-port-3', 'USB lead with open ends', 1],
    ['brick-5v-2', 'barrel socket', 1],
    ['brick-5v-2', 'USB lead with open ends', 0],
    ['enclosed-5v-40w', 'barrel socket', 0],
  ])('%s wants %s: %i', (part, name, count) => {
    const plan = demoPlan('pegboard-moon')
    const [slot] = plan.supplies
    expect(needIn({ ...plan, supplies: [{ ...slot!, part }] }, name)).toBe(count)
  })
})

describe('profiles and sheets', () => {
  const lineOf = (text: string, rest: object): Plan['lines'][number] => ({
    id: text,
    text,
    ...rest,
  })
  const planOf = (...lines: Plan['lines']): Plan => ({
    ...demoPlan('wardrobe-rails'),
    lines,
    offcuts: [],
  })

  it('three ledges of an angled profile fit one bar but for the kerf, with a left and a right cap each', () => {
    const plan = planOf(
      ...[996, 496, 500].map((mm) =>
        lineOf(`ledge ${String(mm)}`, { mount: { profile: 'corner', cover: 'opal' } }),
      ),
    )
    const { bars, bill } = worked(plan)
    expect(bars[0]?.bars).toHaveLength(1)
    expect(bars[0]?.bars[0]).toMatchObject({
      lengthMm: 2000,
      leftoverMm: 2000 - 1992 - 3 * sawKerfMm,
    })
    const need = (text: string): number => needOf(bill, named(text))
    expect(need('corner profile')).toBe(2)
    expect(need('opal cover')).toBe(2)
    expect([need('end cap for the left'), need('end cap for the right')]).toEqual([3, 3])
    const longer = change(plan, [{ do: 'set-text', line: 'ledge 500', text: 'ledge 507' }]).plan
    expect(sum(worked(longer).bars[0]!.bars.map(({ lengthMm }) => lengthMm))).toBe(3000)
  })

  it('a straight profile has two caps alike for each piece', () => {
    const plan = planOf(lineOf('ledge 2 x 500', { mount: { profile: 'flat' } }))
    expect(needOf(worked(plan).bill, named('end cap, small U profile'))).toBe(4)
  })

  it('fabric keeps its grain, and card is turned where that saves a sheet', () => {
    const [card] = worked(
      planOf(lineOf('lid frame 950 x 650', { sheet: { material: 'card', wrapMm: 0 } })),
    ).sheets
    expect(card!.sheets[0]!.pieces).toMatchObject([{ isTurned: true, widthMm: 650, heightMm: 950 }])
    // Turned it would lie on half a metre.
    const [fabric] = worked(
      planOf(lineOf('lid frame 450 x 1200', { sheet: { material: 'fabric', wrapMm: 0 } })),
    ).sheets
    expect(fabric).toMatchObject({ size: { heightMm: 2000 } })
    expect(fabric!.sheets[0]!.pieces).toMatchObject([{ isTurned: false }])
  })

  it('any sheets lie on their sheets whole, none over another, and all of them are there', () => {
    const anyFrame = fc.record({
      width: fc.integer({ min: 60, max: 1300 }),
      height: fc.integer({ min: 60, max: 1300 }),
      material: fc.constantFrom('fabric', 'diffuser', 'card', 'acrylic'),
    })
    fc.assert(
      fc.property(fc.array(anyFrame, { minLength: 1, maxLength: 12 }), (frames) => {
        const plan = planOf(
          ...frames.map(({ width, height, material }, index) => ({
            id: String(index),
            text: `lid frame ${String(width)} x ${String(height)}`,
            sheet: { material, wrapMm: 0 },
          })),
        )
        const all = worked(plan).sheets
        const count = sum(
          all.map(
            ({ sheets: own, tooLarge }) =>
              sum(own.map(({ pieces }) => pieces.length)) + tooLarge.length,
          ),
        )
        expect(count).toBe(frames.length)
        for (const { size, sheets: own, material } of all)
          for (const { pieces } of own)
            for (const [index, a] of pieces.entries()) {
              const { width, height } = frames[Number(a.run)]!
              expect([a.widthMm, a.heightMm]).toEqual(
                a.isTurned ? [height, width] : [width, height],
              )
              if (material.hasGrain) expect(a.isTurned && width !== height).toBe(false)
              expect(a.x + a.widthMm).toBeLessThanOrEqual(size.widthMm + 1e-6)
              expect(a.y + a.heightMm).toBeLessThanOrEqual(size.heightMm + 1e-6)
              for (const b of pieces.slice(index + 1))
                expect(
                  a.x + a.widthMm <= b.x + 1e-6 ||
                    b.x + b.widthMm <= a.x + 1e-6 ||
                    a.y + a.heightMm <= b.y + 1e-6 ||
                    b.y + b.heightMm <= a.y + 1e-6,
                ).toBe(true)
            }
      }),
      { numRuns: runs(60) },
    )
  })

  it('a run longer than every bar is made of equal lengths', () => {
    const { bars } = worked(planOf(lineOf('cornice 4.5 m', { mount: { profile: 'flat' } })))
    expect(bars[0]!.bars.flatMap(({ pieces }) => pieces.map(({ lengthMm }) => lengthMm))).toEqual([
      1500, 1500, 1500,
    ])
  })

  it('fabric is wrapped round the edge and lies on the fewest, cheapest lengths, nothing over another', () => {
    const { sheets } = worked(
      planOf(
        lineOf('crown frame 600 x 300', { sheet: { material: 'fabric', wrapMm: 40 } }),
        lineOf('lid frame 600 x 300', { sheet: { material: 'fabric', wrapMm: 40 } }),
        lineOf('gate frame 2 m x 2 m', { sheet: { material: 'acrylic', wrapMm: 0 } }),
      ),
    )
    const [fabric, acrylic] = sheets
    expect(fabric).toMatchObject({ price: 5, size: { heightMm: 500 } })
    const pieces = fabric!.sheets.flatMap((sheet) => sheet.pieces)
    expect(pieces.map(({ widthMm, heightMm }) => [widthMm, heightMm])).toEqual([
      [680, 380],
      [680, 380],
    ])
    expect(Math.abs(pieces[0]!.x - pieces[1]!.x)).toBeGreaterThanOrEqual(680)
    expect(acrylic?.tooLarge).toHaveLength(1)
    expect(acrylic?.sheets).toHaveLength(0)
  })
})
