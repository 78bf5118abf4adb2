import type { Tally } from '../core/tally'
import { table, type Table } from './csv'

/** What is plugged in where, as CSV: splitters and lights with the lead that each needs and has, and the extensions between, mm. */
export const plugsTable = ({ feed, runs }: Pick<Tally, 'feed' | 'runs'>): Table =>
  table(
    ['run', 'lead', 'splitter', 'what', 'needs mm', 'has mm', 'extensions mm'],
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
            Math.round(needMm),
            ownMm,
            extensionsMm.join(' + '),
          ]),
        ),
      )
    }),
  )
