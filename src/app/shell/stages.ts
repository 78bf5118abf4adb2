import type { Grade } from '../../core/verdict/verdict'
import type { VerdictCode } from '../../core/verdict/verdict'
import type { Tally } from '../../core/tally'

/** The pages of a plan, in the order of the work. */
export const stages = [
  { name: 'measure', label: 'Measure' },
  { name: 'cut', label: 'Cut' },
] as const
export type StageName = (typeof stages)[number]['name']

/** Sections of the roll by the page beside which they are shown; one that names none of them is shown beside all. */
const sectionStages: Readonly<Record<string, readonly StageName[]>> = {
  reels: ['cut'],
  joints: ['cut'],
  current: ['measure'],
  supply: ['measure'],
  lights: ['measure'],
}

export const showsSection = (stage: StageName, sectionId: string): boolean =>
  sectionStages[sectionId.split('.')[0] ?? '']?.includes(stage) ?? true

const cutCodes: readonly VerdictCode[] = ['gap-shows', 'stock-short']

export interface StageState {
  readonly text: string
  readonly grade: Grade | 'ok' | 'none'
}

/** A stage's state in a word: its gravest verdicts, or how things stand. */
export function stageState(stage: StageName, tally: Tally | undefined): StageState {
  if (tally === undefined) return { text: '…', grade: 'none' }
  if (tally.runs.length === 0 && tally.unread.length === 0) return { text: 'empty', grade: 'none' }
  const own = tally.verdicts.filter(({ code }) => cutCodes.includes(code) === (stage === 'cut'))
  for (const grade of ['stop', 'care'] as const) {
    const count = own.filter((verdict) => verdict.grade === grade).length
    if (count > 0) return { text: `${String(count)} ${grade}`, grade }
    if (grade === 'stop' && stage === 'measure' && tally.unread.length > 0)
      return { text: `${String(tally.unread.length)} unread`, grade }
  }
  if (stage === 'measure') {
    const { length } = tally.runs
    return { text: `${String(length)} ${length === 1 ? 'place' : 'places'}`, grade: 'ok' }
  }
  const reels = tally.reels.flatMap((strip) => strip.reels.filter(({ kind }) => kind === 'reel'))
  return { text: reels.length === 1 ? '1 reel' : `${String(reels.length)} reels`, grade: 'ok' }
}
