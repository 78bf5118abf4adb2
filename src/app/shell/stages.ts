import { plural } from '../../core/quantity/format'
import type { Grade } from '../../core/verdict/kinds'
import { sectionKinds, type SectionKind } from '../../core/roll/section'
import type { PlanAnswers } from '../engine/follow-plan'

/** The pages of a plan, in the order of the work. */
export const stages = [
  { name: 'measure', label: 'Measure' },
  { name: 'cut', label: 'Cut' },
  { name: 'feed', label: 'Feed' },
  { name: 'signal', label: 'Signal' },
  { name: 'wire', label: 'Wire' },
  { name: 'buy', label: 'Buy' },
  { name: 'build', label: 'Build' },
  { name: 'glow', label: 'Glow' },
  { name: 'mend', label: 'Mend' },
] as const
export type StageName = (typeof stages)[number]['name']

/** Sections of the roll by the pages beside which they are shown. */
const sectionStages: Readonly<Record<SectionKind, readonly StageName[]>> = {
  length: ['measure', 'cut'],
  place: ['measure'],
  leads: ['measure'],
  home: ['measure'],
  plugs: ['measure', 'feed'],
  nodes: ['measure'],
  reels: ['cut'],
  joints: ['cut', 'wire'],
  current: ['measure', 'feed', 'glow'],
  supply: ['measure', 'feed', 'glow', 'mend'],
  lights: ['measure'],
  volts: ['feed'],
  drops: ['feed'],
  draw: ['feed'],
  warmth: ['feed'],
  use: ['feed'],
  level: ['signal', 'mend'],
  frames: ['signal', 'glow'],
  board: ['signal'],
  wires: ['wire'],
  bill: ['buy'],
  build: ['build'],
}

/** Kinds of sections beside a page, in the order of the work. */
export const sectionsBeside = (stage: StageName): SectionKind[] =>
  sectionKinds.filter((kind) => sectionStages[kind].includes(stage))

export interface StageState {
  readonly text: string
  readonly grade: Grade | 'ok' | 'none'
}

/** A stage's state in a word: its gravest verdicts, or how things stand. */
export function stageState(
  stage: StageName,
  tally: PlanAnswers | undefined,
  shows = 0,
  mends = 0,
): StageState {
  if (tally === undefined) return { text: '…', grade: 'none' }
  if (tally.runs.length === 0 && tally.unread.length === 0) return { text: 'empty', grade: 'none' }
  const own = tally.verdicts?.filter(({ page }) => page === stage)
  for (const grade of ['stop', 'warning'] as const) {
    const count = own?.filter((verdict) => verdict.grade === grade).length ?? 0
    if (count > 0) return { text: plural(count, grade), grade }
    if (grade === 'stop' && stage === 'measure' && tally.unread.length > 0)
      return { text: `${String(tally.unread.length)} unread`, grade }
  }
  if (own === undefined) return { text: '…', grade: 'none' }
  return { text: stateText(stage, tally, shows, mends), grade: 'ok' }
}

function stateText(stage: StageName, tally: PlanAnswers, shows: number, mends: number): string {
  switch (stage) {
    case 'measure':
      return plural(tally.runs.length, 'place')
    case 'cut':
      return tally.facts === undefined ? '…' : plural(tally.facts.reels, 'reel')
    case 'feed':
      return tally.feed.leads.length === 0 ? 'nothing fed' : 'fits'
    case 'signal':
      if (tally.signal === undefined) return '…'
      if (tally.signal.lanes.length > 0) return plural(tally.signal.lanes.length, 'lane')
      return tally.signal.pins.length > 0 ? plural(tally.signal.pins.length, 'pin') : 'no data'
    case 'wire':
      return tally.facts === undefined ? '…' : plural(tally.facts.joints, 'joint')
    case 'buy':
      if (tally.facts === undefined) return '…'
      if (tally.facts.billLines === 0) return 'nothing yet'
      return tally.facts.toBuy === 0 ? 'all bought' : `${String(tally.facts.toBuy)} to buy`
    case 'mend':
      return mends === 0 ? 'quiet' : `${String(mends)} mended`
    case 'glow':
      return shows === 0 ? 'no show yet' : plural(shows, 'show')
    case 'build': {
      if (tally.howFar === undefined) return 'not begun'
      const { done, steps } = tally.howFar
      return done === steps ? 'built' : `step ${String(done + 1)} of ${String(steps)}`
    }
  }
}
