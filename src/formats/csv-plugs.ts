import type { Tally } from '../core/tally'
import type { LengthUnits } from '../core/quantity/format'
import { table, type Table } from './csv'
import { inMm } from './csv-lengths'

/** What is plugged in where, as CSV: splitters and lights with the lead that each needs and has, and the extensions between. */
export function plugsTable(
  { feed, runs }: Pick<Tally, 'feed' | 'runs'>,
  units: LengthUnits = 'mm',
): Table {
  const { head, value } = inMm(units)
  return table(
    ['run', 'lead', 'splitter', 'what', head('needs'), head('has'), head('extensions')],
    feed.plugs.flatMap(({ id, leads }) => {
      const name = runs.find((run) => run.id === id)?.name ?? id
      return leads.flatMap(({ splitters }, lead) =>
        splitters.flatMap((splitter) =>
          [
            { ...splitter, what: `splitter of ${String(splitter.ways)}` },
            ...splitter.lights.map((one) => ({ ...one, what: `light ${String(one.light + 1)}` })),
          ].map(({ what, needMm, ownMm, extensionsMm }) => [
            name,
            lead + 1,
            splitter.name,
            what,
            value(Math.round(needMm)),
            value(ownMm),
            extensionsMm.map((mm) => value(mm)).join(' + '),
          ]),
        ),
      )
    }),
  )
}
