import { billGroups, type BillGroup, type Sold, type SoldPack } from '../parts/sold'
import type { BillUnit } from '../plan/choices'
import { formatQuantity } from '../quantity/format'
import type { Operand, Working } from '../quantity/figure'
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
  /** What offcuts of the plan give of it. */
  readonly have: number
  /** Ids of the runs, supplies and junctions that it is for. */
  readonly for: readonly string[]
  readonly page: BillPage
  readonly note?: string
}

export type BillGiven = Pick<
  WiredPlan,
  | 'plan'
  | 'cutRuns'
  | 'reels'
  | 'lit'
  | 'nodes'
  | 'plugs'
  | 'fit'
  | 'supplies'
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
export class Bill {
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
export function sumOf(operands: readonly Operand[], spare: number): Working {
  const added = operands.map((_, index) => `{${String(index)}}`).join(' + ')
  if (spare === 0) return { operation: added, operands }
  return {
    operation: `${operands.length > 1 ? `(${added})` : added} × {${String(operands.length)}}`,
    operands: [...operands, { name: 'with spare', value: 1 + spare, unit: '' }],
  }
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

/** What a thing is cut from, and what is cut: mm of what is bought and of what is there already. */
interface Cutting {
  /** What the mm that are bought count. */
  readonly what: string
  readonly boughtMm: number
  /** What lies there already: offcuts, or lengths in the drawer. */
  readonly given?: { readonly what: string; readonly mm: number }
  /** Reels, spools and bars that are bought. */
  readonly from: readonly { readonly size: number; readonly price: number }[]
}

/** A thing that is cut to length: its need is what is cut, its packs are what it is cut from. */
export function cutLine(
  sold: Sold,
  { what, boughtMm, given, from }: Cutting,
  rest: Pick<BillLine, 'rule' | 'for' | 'page' | 'note' | 'isCutFromTaken'>,
): BillLine {
  const givenMm = given?.mm ?? 0
  return {
    ...sold,
    need: up((boughtMm + givenMm) / 1000, 100),
    ...sumOf(
      [
        { name: what, value: boughtMm, unit: 'mm' },
        ...(given !== undefined && givenMm > 0
          ? [{ name: given.what, value: givenMm, unit: 'mm' } as const]
          : []),
      ],
      0,
    ),
    settled: counted(from),
    have: up(givenMm / 1000, 100),
    ...rest,
  }
}
