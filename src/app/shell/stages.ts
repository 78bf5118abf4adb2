import { plural } from '../../core/quantity/format'
import { type Grade, type VerdictCode } from '../../core/verdict/verdict'
import type { Tally } from '../../core/tally'

/** The pages of a plan, in the order of the work. */
export const stages = [
  { name: 'measure', label: 'Measure' },
  { name: 'cut', label: 'Cut' },
  { name: 'feed', label: 'Feed' },
  { name: 'signal', label: 'Signal' },
  { name: 'wire', label: 'Wire' },
] as const
export type StageName = (typeof stages)[number]['name']

/** Sections of the roll by the page beside which they are shown; one that names none of them is shown beside all. */
const sectionStages: Readonly<Record<string, readonly StageName[]>> = {
  length: ['measure', 'cut'],
  place: ['measure'],
  leads: ['measure'],
  home: ['measure'],
  plugs: ['measure', 'feed'],
  nodes: ['measure'],
  reels: ['cut'],
  joints: ['cut'],
  current: ['measure', 'feed'],
  supply: ['measure', 'feed'],
  lights: ['measure'],
  volts: ['feed'],
  drops: ['feed'],
  draw: ['feed'],
  warmth: ['feed'],
  use: ['feed'],
  level: ['signal'],
  frames: ['signal'],
  board: ['signal'],
  wires: ['wire'],
  'wire-joints': ['wire'],
}

export const showsSection = (stage: StageName, sectionId: string): boolean =>
  sectionStages[sectionId.split('.')[0] ?? '']?.includes(stage) ?? true

/** Verdicts that belong to a later page than Measure. */
const stageOfCode: Partial<Readonly<Record<VerdictCode, StageName>>> = {
  'gap-shows': 'cut',
  'off-mark': 'cut',
  'splice-shows': 'cut',
  'stock-short': 'cut',
  nameplate: 'cut',
  'volts-differ': 'feed',
  'supply-short': 'feed',
  'supply-tight': 'feed',
  'port-over': 'feed',
  fade: 'feed',
  uneven: 'feed',
  'not-fed': 'feed',
  'lead-hot': 'feed',
  'track-over': 'feed',
  'copper-hot': 'feed',
  'no-fuse': 'feed',
  'fuse-over-wire': 'feed',
  'plus-joined': 'feed',
  'no-common': 'feed',
  'regulator-hot': 'feed',
  'bank-sleeps': 'feed',
  'battery-sag': 'feed',
  'battery-short': 'feed',
  'capacitor-volts': 'feed',
  'no-capacitor': 'feed',
  'hot-strip': 'feed',
  'over-100-watt': 'feed',
  'ports-short': 'feed',
  'low-level': 'signal',
  'thin-level': 'signal',
  'long-data': 'signal',
  'no-resistor': 'signal',
  'against-arrow': 'signal',
  'slow-frames': 'signal',
  memory: 'signal',
  'pins-short': 'signal',
  'pin-kind': 'signal',
  'serial-pin': 'signal',
  'board-over': 'signal',
  'diode-small': 'signal',
  'board-quirk': 'signal',
  'status-colours-alike': 'signal',
}

/** A resistor is missing in the data lines, or before single lights. */
const stageOf = ({ code, about }: Tally['verdicts'][number]): StageName =>
  code === 'no-resistor' && about.length > 0 ? 'measure' : (stageOfCode[code] ?? 'measure')

export interface StageState {
  readonly text: string
  readonly grade: Grade | 'ok' | 'none'
}

/** A stage's state in a word: its gravest verdicts, or how things stand. */
export function stageState(stage: StageName, tally: Tally | undefined): StageState {
  if (tally === undefined) return { text: '…', grade: 'none' }
  if (tally.runs.length === 0 && tally.unread.length === 0) return { text: 'empty', grade: 'none' }
  const own = tally.verdicts.filter((verdict) => stageOf(verdict) === stage)
  for (const grade of ['stop', 'care'] as const) {
    const count = own.filter((verdict) => verdict.grade === grade).length
    if (count > 0) return { text: `${String(count)} ${grade}`, grade }
    if (grade === 'stop' && stage === 'measure' && tally.unread.length > 0)
      return { text: `${String(tally.unread.length)} unread`, grade }
  }
  return { text: stateText(stage, tally), grade: 'ok' }
}

function stateText(stage: StageName, tally: Tally): string {
  switch (stage) {
    case 'measure':
      return plural(tally.runs.length, 'place')
    case 'cut':
      return plural(
        tally.reels.flatMap(({ reels }) => reels.filter(({ kind }) => kind === 'reel')).length,
        'reel',
      )
    case 'feed':
      return tally.feed.leads.length === 0 ? 'nothing fed' : 'fits'
    case 'signal':
      if (tally.signal.lanes.length > 0) return plural(tally.signal.lanes.length, 'lane')
      return tally.signal.pins.length > 0 ? plural(tally.signal.pins.length, 'pin') : 'no data'
    case 'wire':
      return plural(tally.wiring.joints.length, 'joint')
  }
}
