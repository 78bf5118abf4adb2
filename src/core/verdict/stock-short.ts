import { formatLength, plural } from '../quantity/format'
import { type Judge } from './verdict'

/** A piece that is longer than the longest reel, so that it has to be joined within. */
export const stockShort: Judge = ({ plan, reels }) =>
  reels.flatMap(({ strip, reels: bins, joins }) => {
    if (joins === 0) return []
    const joined = bins.flatMap(({ cuts }) => cuts.filter(({ parts }) => parts > 1))
    const names = [...new Set(joined.map(({ piece }) => piece))]
    const longest = Math.max(...strip.reels.map(({ lengthMm }) => lengthMm))
    return [
      {
        id: `stock-short.${strip.id}`,
        code: 'stock-short' as const,
        grade: 'note' as const,
        about: [...new Set(joined.map(({ runId }) => runId))],
        text: `${names.slice(0, 3).join(', ')}${names.length > 3 ? ' …' : ''}: longer than the longest reel, ${formatLength(longest, plan.units)}; ${plural(joins, 'join')} pad to pad`,
        why: 'A join inside a run is one more place that can fail; put it where the cover can come off.',
        remedies: [],
      },
    ]
  })
